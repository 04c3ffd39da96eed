import type { Species } from "./species.ts";

/** Names of places and persons in the names of animals, which keep their capital inside a sentence. */
const PROPER = new Set(["Arctic", "Atlantic", "Canada", "Chinook", "Dolly", "Varden"]);

/**
 * Returns an animal's name as it stands inside a sentence, such as `lake trout` or `Canada goose`.
 */
export function nameInText({ name }: Pick<Species, "name">): string {
  return name.replace(/\p{L}+/gu, (word) => (PROPER.has(word) ? word : word.toLowerCase()));
}
