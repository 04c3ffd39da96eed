import type { LotForm, Species, SpeciesGroup } from "../species/index.ts";

/** What a weight becomes at a step of the work, before this household has taught anything. Fractions of weight in. */
export interface TypicalStep {
  mean: number;
  /** how far parts of this kind differ from each other: the doubt of the prior */
  sd: number;
  /** how far one cutting of the same part differs from the next */
  scatter: number;
  source: "common practice";
}

const step = (mean: number, sd: number, scatter: number): TypicalStep => ({
  mean,
  sd,
  scatter,
  source: "common practice",
});

/** Parts of red meat on the bone, out ÷ in when trimmed to lean. Common practice among butchers of game, no source. */
const RED_PARTS: readonly [RegExp, TypicalStep][] = [
  [/shoulder|fore|blade/, step(0.7, 0.08, 0.05)],
  [/hind|ham|haunch|leg|rump|round/, step(0.75, 0.07, 0.05)],
  [/loin|back\s?strap|saddle|tenderloin|fillet/, step(0.85, 0.07, 0.05)],
  [/neck/, step(0.6, 0.1, 0.07)],
  [/rib|flank|brisket/, step(0.45, 0.12, 0.08)],
  [/trim|scrap|shank/, step(0.75, 0.1, 0.07)],
];

/**
 * Returns the fraction of a part that is fit to pack once it is trimmed and cut, 0 to 1, with its spread, before any
 * case of the household's own. Common practice, no source.
 *
 * @param part as the household calls it; a name that is not known takes the middle of its group
 */
export function typicalCutting(group: SpeciesGroup, part: string, form: LotForm): TypicalStep {
  if (form === "bones") return step(0.95, 0.04, 0.04);
  if (form === "roast") return step(0.93, 0.05, 0.04);
  const name = part.toLowerCase();
  if (group === "red-meat") return RED_PARTS.find(([like]) => like.test(name))?.[1] ?? step(0.68, 0.12, 0.07);
  if (group === "bird-rabbit") {
    if (form === "bone-in") return step(0.9, 0.06, 0.04);
    return /breast/.test(name) ? step(0.85, 0.08, 0.06) : step(0.58, 0.1, 0.07);
  }
  if (group === "tuna") return step(0.65, 0.08, 0.05);
  if (form === "smoked") return step(0.78, 0.07, 0.05);
  return /section|tail|whole/.test(name) ? step(0.8, 0.09, 0.06) : step(0.72, 0.1, 0.06);
}

/**
 * Returns the fraction of a dressed animal that becomes boneless meat, 0 to 1, with its spread, before any case of the
 * household's own. Common practice, no source.
 */
export function typicalBoneless(species: Species): TypicalStep {
  const { mean, sd } = species.yields.boneless;
  // Between kinds of one build and between animals of one kind the difference is about the same.
  return step(mean, sd, sd);
}

/** What a change of a lot leaves of it: the prior of cooking, trimming again, smoking and brining. Common practice, no source. */
export const TYPICAL_CHANGE = {
  /** browned or pre-cooked to rare */
  cook: step(0.75, 0.07, 0.05),
  /** freezer burn and silver skin cut off */
  trim: step(0.93, 0.05, 0.04),
  /** light smoke */
  smoke: step(0.85, 0.06, 0.04),
  /** brine is taken up, or draws a little out */
  brine: step(1.02, 0.04, 0.03),
} as const satisfies Record<string, TypicalStep>;
