/** What can happen to a container on a shelf: put there, eaten, given away, thrown out, or not found when the shelf was counted. */
export const MOVES = ["shelved", "opened", "given", "discarded", "missing"] as const;
export type Move = (typeof MOVES)[number];
