import type { CanStage, Doubt } from "#core/exhaust";
import {
  DIMENSION_NAMES,
  formatSeam,
  isPercent,
  type Judged,
  type Range,
  type SeamDimension,
} from "#core/seam";
import type { UnitSystem } from "#core/quantity";

/** How a can stands, in two or three words. */
export const STAGE_WORDS: Record<CanStage, string> = {
  "no-reading": "no reading yet",
  warming: "not hot yet",
  questioned: "reading in doubt",
  hot: "hot: close it",
  cooled: "stood too long",
  closed: "closed",
  "closed-cooled": "closed, cooling",
  "bad-seam": "bad seam: new can",
  signed: "went ahead anyway",
};

/** What is asked about a reading. */
export const DOUBT_WORDS: Record<Doubt, string> = {
  "too-fast":
    "That rose faster than heat gets to the middle of this can. Is the tip in the meat, clear of wall and bottom?",
  "as-the-juice": "That is what the juice reads. Is the tip in the meat?",
};

/** A figure of a seam with its unit: `0.115 in`, `2.92 mm`, `58 %`. */
export function figureWords(d: SeamDimension, value: number, units: UnitSystem): string {
  return isPercent(d) ? `${Math.round(value)} %` : formatSeam(value, units);
}

/** `0.110 to 0.120 in`, `45 % or more`. */
export function rangeWords(d: SeamDimension, { low, high }: Range, units: UnitSystem): string {
  const bare = (v: number) => figureWords(d, v, units).replace(/ \S+$/, "");
  if (low !== null && high !== null) return `${bare(low)} to ${figureWords(d, high, units)}`;
  if (low !== null) return `${figureWords(d, low, units)} or more`;
  return high === null ? "no limit" : `${figureWords(d, high, units)} or less`;
}

/** What a tear-down comes to, in one sentence. */
export function sheetWords(judged: readonly Judged[]): string {
  const out = judged.filter((j) => j.out !== null);
  if (out.length === 0) return "Every measurement is within its limits.";
  const overlap = out.find((j) => j.dimension === "overlap" || j.dimension === "overlapPercent");
  if (overlap) return "The hooks meet by too little. Do not close cans with this setup.";
  const first = out[0]!;
  return `${DIMENSION_NAMES[first.dimension]} is too ${first.out === "low" ? "small" : "large"}. Do not close cans with this setup.`;
}
