import { fullContainers } from "../pack/index.ts";

/** How many containers of one size somebody wants from a lot: a number, or as many as it makes. */
export interface WantedSize {
  /** what one takes, kg, > 0 */
  kgEach: number;
  /** whole, ≥ 1; null: as many as the food makes after the sizes before it */
  count: number | null;
}

/** What a lot comes to. */
export interface Counted {
  /** containers of each size, in the order they were asked for, whole, ≥ 0 */
  counts: number[];
  /** food that fills none of them, kg, ≥ 0 */
  leftKg: number;
  /** food that is missing for what was asked, kg; 0 when there is enough */
  missingKg: number;
}

/**
 * Returns how many containers of each size a lot fills: the sizes with a number first, then each of the others as many as
 * it makes, in their order (“as many pints as it makes, the rest in half-pints”). Only full containers are counted.
 *
 * @param massKg food in the lot, kg, ≥ 0
 * @param room containers of each size that fit into the canner beside those before; left out: no limit
 * @throws RangeError when a weight is below 0, or what one takes is not above 0
 */
export function countSizes(
  massKg: number,
  wanted: readonly WantedSize[],
  room: (i: number, before: readonly number[]) => number = () => Infinity,
): Counted {
  const counts = wanted.map((w) => w.count ?? 0);
  const fixedKg = wanted.reduce((sum, w) => sum + (w.count ?? 0) * w.kgEach, 0);
  let left = massKg - fixedKg;
  const missingKg = left < -1e-9 ? -left : 0;
  left = Math.max(0, left);
  for (const [i, w] of wanted.entries()) {
    if (w.count !== null) continue;
    const most = fullContainers(left, w.kgEach).count;
    counts[i] = Math.max(0, Math.min(most, room(i, counts)));
    left -= counts[i]! * w.kgEach;
  }
  return { counts, leftKg: Math.max(0, left), missingKg };
}
