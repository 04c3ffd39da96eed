import type { DoubtKind } from "#core/recall";

/** What a doubt is called: what they share. */
export const DOUBT_WORDS: Record<DoubtKind, { name: string; why: string }> = {
  run: {
    name: "Same run",
    why: "Vented, brought to pressure and cooled together: what one lacked, all lacked.",
  },
  lot: { name: "Same lot", why: "Cut, kept and thawed together, before any split or merge." },
  harvest: { name: "Same animal", why: "A gut shot, a sick animal or a warm night is in all of its meat." },
  lids: { name: "Same lids", why: "A bad box of lids, or a maker’s lot of ends, fails again." },
  cans: { name: "Same lot of cans", why: "Cans of one maker’s lot share plate and flange." },
  sealer: { name: "Same setting of the sealer", why: "Closed between the same two setup tests." },
  place: { name: "Same shelf", why: "Frozen, too hot or damp together." },
};
