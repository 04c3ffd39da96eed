/** A fraction of weight people usually get, and how far one animal differs from another. Both 0 to 1. */
export interface TypicalYield {
  mean: number;
  sd: number;
}

export interface Yields {
  /** dressed (gutted; fish headed and gutted) weight ÷ live weight */
  dressed: TypicalYield;
  /** boneless (fish: fit to pack) weight ÷ dressed weight */
  boneless: TypicalYield;
  source: "common practice" | "from memory";
}

/** Percent by weight; the rest to 100 is what the tables leave unsaid. */
export interface Composition {
  water: number;
  protein: number;
  fat: number;
  ash: number;
}

const y = (
  dressed: number,
  dressedSd: number,
  boneless: number,
  bonelessSd: number,
  source: Yields["source"] = "common practice",
): Yields => ({
  dressed: { mean: dressed, sd: dressedSd },
  boneless: { mean: boneless, sd: bonelessSd },
  source,
});

/**
 * Typical yields by build. Common practice among butchers of game, no single published source, where not marked as
 * from memory: a field-dressed deer is a little under four fifths of its live weight and gives about half of that
 * as trimmed boneless meat; a headed and gutted round fish is about two thirds of the whole and nearly all of that
 * goes into the jar, bones and all.
 */
export const BUILDS = {
  deer: y(0.78, 0.04, 0.52, 0.08),
  cattle: y(0.6, 0.05, 0.62, 0.07),
  pig: y(0.74, 0.05, 0.5, 0.08),
  bear: y(0.7, 0.06, 0.48, 0.09),
  goat: y(0.72, 0.05, 0.48, 0.08),
  marsupial: y(0.68, 0.05, 0.55, 0.08, "from memory"),
  rodent: y(0.6, 0.07, 0.5, 0.1, "from memory"),
  rabbit: y(0.55, 0.05, 0.65, 0.08),
  bird: y(0.68, 0.06, 0.5, 0.1),
  turkey: y(0.74, 0.05, 0.55, 0.08),
  fish: y(0.66, 0.06, 0.88, 0.07),
  flatfish: y(0.72, 0.06, 0.68, 0.08, "from memory"),
  tuna: y(0.75, 0.05, 0.62, 0.08, "from memory"),
} as const satisfies Record<string, Yields>;

export type Build = keyof typeof BUILDS;
