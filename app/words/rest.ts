import type { Outstanding } from "#core/chance";
import type { Cause, CauseFound, SealLook } from "#core/rest";

/** What one tap at a rested container says. */
export interface LookChoice {
  key: string;
  label: string;
  look: SealLook;
}

/** Jars: the two of every jar, then what is seen now and then. */
export const JAR_LOOKS: readonly LookChoice[] = [
  { key: "down", label: "Lid is down", look: { lid: "down", level: "full" } },
  { key: "flexes", label: "It flexes", look: { lid: "flexes" } },
  { key: "half", label: "Down, some liquid lost", look: { lid: "down", level: "half" } },
  { key: "low", label: "Down, half or more of the liquid lost", look: { lid: "down", level: "low" } },
  { key: "loose", label: "Down, band was loose", look: { lid: "down", level: "full", looseBand: true } },
];

export const CAN_LOOKS: readonly LookChoice[] = [
  { key: "sound", label: "Drawn in, dry", look: { ends: "drawn-in", seam: "dry" } },
  { key: "flat", label: "An end is flat", look: { ends: "flat", seam: "dry" } },
  { key: "bulged", label: "An end bulges", look: { ends: "bulged", seam: "dry" } },
  { key: "damp", label: "Seam is damp", look: { ends: "drawn-in", seam: "damp" } },
  { key: "rough", label: "Seam is rough", look: { ends: "drawn-in", seam: "rough" } },
];

/** The look behind a button, by its key; undefined for one nobody offers. */
export const lookOf = (key: string): SealLook | undefined =>
  [...JAR_LOOKS, ...CAN_LOOKS].find((c) => c.key === key)?.look;

/** `lid down, liquid half gone, band was loose`. */
export function sealLookWords(look: SealLook): string {
  const level = { full: "", half: "some liquid lost", low: "half or more of the liquid lost" };
  const ends = { "drawn-in": "ends drawn in", flat: "an end flat", bulged: "an end bulges" };
  const seam = { dry: "seams smooth and dry", damp: "a seam damp", rough: "a seam rough" };
  return [
    look.lid && (look.lid === "down" ? "lid down" : "lid gives"),
    look.level && level[look.level],
    look.looseBand && "band was loose",
    look.ends && ends[look.ends],
    look.seam && seam[look.seam],
  ]
    .filter(Boolean)
    .join(", ");
}

const CAUSE_GROUP: Record<Cause, (name: string) => string> = {
  layer: (n) => `in ${n}`,
  place: (n) => `by ${n}`,
  lids: (n) => `with lids or ends of ${n}`,
  person: (n) => `filled by ${n}`,
  canner: (n) => `from ${n}`,
  sealer: (n) => `closed on ${n}`,
};

export const CAUSE_NAMES: Record<Cause, string> = {
  layer: "Layer in the canner",
  place: "Place in the layer",
  lids: "Lid box",
  person: "Who filled it",
  canner: "Canner",
  sealer: "Sealer",
};

/** `about once in 40 times`. */
export function chanceWords(p: number): string {
  if (p > 0.4) return "as often as not";
  const one = 1 / p;
  const round =
    one > 1000 ? Math.round(one / 1000) * 1000 : one > 100 ? Math.round(one / 100) * 100 : Math.round(one);
  return `about once in ${round.toLocaleString("en")} times`;
}

/** `between 4 and 27 of 100`. */
export function rangeWords({ low, high }: { low: number; high: number }): string {
  return `between ${Math.round(low * 100)} and ${Math.round(high * 100)} of 100`;
}

/** One sentence on what failures have in common, or that nothing stands out. */
export function causeWords(causes: readonly CauseFound[], checked: number, failed: number): string {
  const looked = causes.reduce((n, c) => n + c.groups.length, 0);
  const tell = (cause: Cause, g: Outstanding) =>
    `${g.failed} of ${g.all} ${CAUSE_GROUP[cause](g.name)} failed, and ${g.others.failed} of the ${g.others.all} others. By chance alone that comes ${chanceWords(g.p)}`;
  for (const says of ["clear", "hint"] as const) {
    for (const c of causes) {
      const g = c.groups.find((x) => x.says === says);
      if (!g) continue;
      return says === "clear"
        ? `${tell(c.cause, g)}: look there.`
        : `${tell(c.cause, g)}; but ${looked} groups were compared, and with so many one may look like this by chance. Keep watching it.`;
    }
  }
  return `${failed} of ${checked} failed, and they have nothing in common beyond chance.`;
}
