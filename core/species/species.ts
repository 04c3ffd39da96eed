import type { Caution } from "./caution.ts";
import type { Composition, Yields } from "./kind.ts";

/** What kind of animal it is; decides which rows of the process table apply. */
export type SpeciesGroup = "red-meat" | "bird-rabbit" | "fish" | "tuna";

/** Returns whether a group is of fish: caught and not killed, and without the warmth of a body. */
export const isFishGroup = (group: SpeciesGroup): boolean => group === "fish" || group === "tuna";

export interface Species {
  key: string;
  name: string;
  plural: string;
  group: SpeciesGroup;
  /** the published row names it; otherwise the screen says what it is treated as */
  named: boolean;
  /** one animal at a time, or a catch of many counted together */
  taken: "animal" | "catch";
  /** heaviest anyone is likely to bring in, kg for one; above it the form asks once more. From memory */
  likelyMaxKg: number;
  cautions: readonly Caution[];
  /** typical yields, with where they are from */
  yields: Yields;
  /** raw lean meat, percent by weight. From memory of public food composition tables */
  composition: Composition;
  /** name of the catalogue's animal it is handled like, when the household added it itself */
  like?: string;
}
