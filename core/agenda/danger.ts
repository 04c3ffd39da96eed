/**
 * How much hangs on a thing that waits to be done. `unsafe`: somebody could eat or handle what is dangerous. `hold`: food that
 * nobody may use until somebody decides. `deadline`: food is lost, or a clock starts over, when an hour passes. `work`: the rest.
 */
export const DANGERS = ["unsafe", "hold", "deadline", "work"] as const;
export type Danger = (typeof DANGERS)[number];

export interface Waiting {
  danger: Danger;
  /** by when, ms since 1970 UTC; null when no clock runs */
  at: number | null;
}

/**
 * Returns the same things sorted: the most dangerous first (`DANGERS`), then by the hour each is due, then those
 * without an hour in the order given.
 */
export function byDanger<T extends Waiting>(things: readonly T[]): T[] {
  // Two without an hour differ by NaN, which leaves them as they were given.
  return things.toSorted(
    (a, b) =>
      DANGERS.indexOf(a.danger) - DANGERS.indexOf(b.danger) || (a.at ?? Infinity) - (b.at ?? Infinity) || 0,
  );
}
