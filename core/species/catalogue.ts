import { BIRDS } from "./birds.ts";
import { HOLD_OFFERED } from "./caution.ts";
import { FISH } from "./fish.ts";
import { MAMMALS } from "./mammals.ts";
import type { Species, SpeciesGroup } from "./species.ts";

/** Every animal known by name, mammals first. */
export const SPECIES: readonly Species[] = [...MAMMALS, ...BIRDS, ...FISH];

const BY_KEY = new Map(SPECIES.map((s) => [s.key, s]));
const OWN_MARK = "/";

/**
 * Returns the animal of a key; undefined when there is none. A key such as `wild-sheep/Barbary sheep` is one the
 * household added: its own name, and everything else as the animal before the slash.
 */
export function speciesByKey(key: string): Species | undefined {
  const stroke = key.indexOf(OWN_MARK);
  if (stroke < 0) return BY_KEY.get(key);
  const like = BY_KEY.get(key.slice(0, stroke));
  const name = key.slice(stroke + 1);
  if (!like || !name) return undefined;
  return { ...like, key, name, plural: name.toLowerCase(), named: false, like: like.name };
}

/**
 * Returns the key of an animal the household adds.
 *
 * @param likeKey the animal it is treated like
 * @throws RangeError when that is not known
 */
export function ownSpeciesKey(likeKey: string, name: string): string {
  const trimmed = name.trim().replaceAll(/\s+/g, " ");
  if (!BY_KEY.has(likeKey)) throw new RangeError(`no animal ${likeKey} in the catalogue`);
  if (!trimmed) throw new RangeError("an animal has a name");
  return `${likeKey}${OWN_MARK}${trimmed}`;
}

/** Returns the group of meat from these animals, by the first of them; red meat when none is known. */
export function groupOf(species: readonly string[]): SpeciesGroup {
  return speciesByKey(species[0] ?? "")?.group ?? "red-meat";
}

/** Returns what an animal of this kind usually waits for, such as a test for disease; null when nothing. */
export function holdOffered(species: Species | undefined): string | null {
  return species?.cautions.map((c) => HOLD_OFFERED[c]).find(Boolean) ?? null;
}

const TREATED_AS: Record<SpeciesGroup, string> = {
  "red-meat": "red meat and game",
  "bird-rabbit": "chicken or rabbit",
  fish: "fish",
  tuna: "tuna",
};

/** Returns what to say when the published row does not name the animal; null when it does. */
export function treatedAs(species: Species): string | null {
  if (species.named) return null;
  const like = species.like ? `, like ${species.like.toLowerCase()}` : "";
  return `${species.name} is not named in the table; treated as ${TREATED_AS[species.group]}${like}. Ask your extension office.`;
}

/** Fat enough, per cent, that the rim of a jar is wiped twice with vinegar. Common practice, no source. */
const FATTY_PERCENT = 4;

/**
 * Returns whether an animal's meat is fatty, by its caution or its composition (from memory). One that is not known
 * counts as fatty.
 */
export function isFatty(key: string): boolean {
  const species = speciesByKey(key);
  return !species || species.cautions.includes("fatty") || species.composition.fat >= FATTY_PERCENT;
}
