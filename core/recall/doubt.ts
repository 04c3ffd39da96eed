/**
 * What a container can share with another, and so the doubt about it: the load in the canner, the lots and animals in it, the
 * box its lid came from or the maker's lot of its end, the maker's lot of the can, the stretch between two set-up tests of the sealer that closed it, and
 * the shelf it stands on.
 */
export const DOUBTS = ["run", "lot", "harvest", "lids", "cans", "sealer", "place"] as const;
export type DoubtKind = (typeof DOUBTS)[number];

/** What a container has of each: keys that another may share. A container can have several lots and animals. */
export type Shared = Record<DoubtKind, readonly string[]>;

/**
 * Returns which of some risks two containers share; empty when none. Symmetric. An oracle for tests, written apart
 * from the query that finds them.
 *
 * @param kinds the risks that are looked at
 */
export function sharedScopes(a: Shared, b: Shared, kinds: readonly DoubtKind[] = DOUBTS): DoubtKind[] {
  return kinds.filter((kind) => a[kind].some((key) => b[kind].includes(key)));
}
