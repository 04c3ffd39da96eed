import { SPECIES, formsFor, speciesByKey, type LotForm, type SpeciesGroup } from "#core/species";
import { speciesName } from "../../words/load";

/** What somebody may have in hand to be canned. */
export const SORTS = ["meat", "bird", "fish"] as const;
export type Sort = (typeof SORTS)[number];

/** Animals that a sort is explained by, by their keys in the catalogue. */
const SUCH_AS: Record<Sort, readonly string[]> = {
  meat: ["whitetail-deer", "elk", "pronghorn", "wild-boar"],
  bird: ["grouse", "wild-turkey", "rabbit"],
  fish: ["lake-trout", "whitefish", "pike"],
};

const SORT_NAMES: Record<Sort, string> = { meat: "Game meat", bird: "Birds and small game", fish: "Fish" };

/** Returns the name of a sort, and a few of its animals. */
export function sortWords(sort: Sort): { name: string; note: string } {
  const such = SUCH_AS[sort].map(speciesName);
  return { name: SORT_NAMES[sort], note: such.join(", ") };
}

const SORT_OF: Record<SpeciesGroup, Sort> = {
  "red-meat": "meat",
  "bird-rabbit": "bird",
  fish: "fish",
  tuna: "fish",
};

/** Returns which sort an animal belongs to; null for one that is not in the catalogue. */
export function sortOfSpecies(key: string): Sort | null {
  const known = speciesByKey(key);
  return known ? SORT_OF[known.group] : null;
}

/**
 * Returns the animals of a sort as a list to choose from, by name; the household's own first.
 *
 * @param own keys of the household's own species
 */
export function speciesChoices(sort: Sort, own: readonly string[]): { value: string; label: string }[] {
  const mine = own.flatMap((key) => speciesByKey(key) ?? []).filter((s) => SORT_OF[s.group] === sort);
  const known = SPECIES.filter((s) => SORT_OF[s.group] === sort).sort((a, b) => a.name.localeCompare(b.name));
  return [
    { value: "", label: "Choose" },
    ...[...mine, ...known].map((s) => ({ value: s.key, label: s.name })),
  ];
}

/** Returns the forms of a sort that go into containers, the usual one first. */
export function formsOf(sort: Sort): LotForm[] {
  const group: Record<Sort, SpeciesGroup> = { meat: "red-meat", bird: "bird-rabbit", fish: "fish" };
  return formsFor(group[sort]).filter((f) => f !== "roast" && f !== "bones");
}
