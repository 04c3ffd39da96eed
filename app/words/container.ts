import { isCan, type ContainerKey } from "#core/schedule";

/** Whether a sentence speaks of jars, of cans, or of both. */
export type Sort = "jars" | "cans" | "both";

export function sortOf(kinds: readonly ContainerKey[]): Sort {
  const cans = kinds.some(isCan);
  if (!cans) return "jars";
  return kinds.every(isCan) ? "cans" : "both";
}

const pick = (kinds: readonly ContainerKey[], words: Record<Sort, string>) => words[sortOf(kinds)];

/** What is looked at on closed containers: `each lid`, `both ends of each can`, or both. */
export const lidsOrEnds = (kinds: readonly ContainerKey[]): string =>
  pick(kinds, {
    jars: "each lid",
    cans: "both ends of each can",
    both: "each jar’s lid and both ends of each can",
  });

/** What is done with sealed ones before a shelf: a can has no band, and its seam is kept dry. */
export const beforeShelfWords = (kinds: readonly ContainerKey[]): string =>
  pick(kinds, {
    jars: "Sealed: take bands off, wash, label, shelve",
    cans: "Sealed: wipe dry, mark, shelve",
    both: "Sealed: bands off jars and wash them, wipe cans dry, mark, shelve",
  });

/** The button that leads from a rest to its checks. */
export const checkWords = (kinds: readonly ContainerKey[]): string =>
  pick(kinds, { jars: "Check the lids", cans: "Check the cans", both: "Check the seals" });
