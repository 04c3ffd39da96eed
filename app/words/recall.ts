import type { DoubtKind } from "#core/recall";
import { DISPOSAL } from "#core/rest";

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

/** What to do with a recalled jar or can one has, step by step. */
export const RECALLED_STEPS: readonly string[] = [
  ...DISPOSAL.closed.steps.map((s, i) => `${i + 1}. ${s.what}`),
  "If you have opened or eaten from one, tell us now. Trouble seeing, speaking, swallowing or breathing: call a doctor at once.",
];

/** What somebody who has recalled food is told: on paper, and as a message to copy. Plain sentences, the danger first. */
export interface Notice {
  title: string;
  lines: string[];
}

/**
 * Returns the notice of a recall for one who was given food of it.
 *
 * @param reason as it was written when the recall began
 * @param codes what they have, by the code on the lid or label
 */
export function recallNotice({
  household,
  reason,
  to,
  codes,
}: {
  household: string;
  reason: string;
  to: string;
  codes: readonly string[];
}): Notice {
  const one = codes.length === 1;
  return {
    title: `Do not eat ${one ? "this jar or can" : "these jars or cans"}: ${codes.join(", ")}`,
    lines: [
      `To ${to}, from ${household}.`,
      `You have ${one ? "it" : "them"} from us, and we recall ${one ? "it" : "them"}. Why: ${reason}.`,
      "The code is on the lid or the label. Look for it on everything you have from us.",
      ...RECALLED_STEPS,
      "Answer us what you did with each one, so that we know that you heard of it.",
    ],
  };
}

/** The notice as a message. */
export const noticeMessage = ({ title, lines }: Notice): string => [`${title}.`, ...lines].join("\n");
