import { CENTRES } from "./centres.ts";

/**
 * For tests, which hold the program's own arrangements against it: smallest known ratio of the pot's diameter to the container's for n equal circles, n from 1 to 20, as published.
 *
 * Source: Graham, Lubachevsky, Nurmela & Östergård, Discrete Mathematics 181 (1998), for small n; E. Specht's tables
 * of packings of equal circles in a circle.
 */
export const PUBLISHED_RATIOS: readonly number[] = [
  1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296, 4.2361, 4.3284, 4.5213, 4.6154,
  4.792, 4.8637, 4.8637, 5.1223,
];

/** Most containers whose best arrangement is kept; more than these go in rows. */
export const MOST_ARRANGED = CENTRES.length + 1;

/**
 * Returns the centers of n equal circles of radius 1, packed as tightly as is known, around the origin.
 *
 * @param n 1 to `MOST_ARRANGED`
 * @throws RangeError outside that range
 */
export function arrangement(n: number): { x: number; y: number }[] {
  if (n === 1) return [{ x: 0, y: 0 }];
  const flat = CENTRES[n - 2];
  if (!flat) throw new RangeError(`arrangements are kept for 1 to ${MOST_ARRANGED} containers, not ${n}`);
  return Array.from({ length: n }, (_, i) => ({ x: flat[2 * i]!, y: flat[2 * i + 1]! }));
}

/**
 * Returns how many times a container's diameter a pot's must be for n of them, ≥ 1, computed from their centers.
 *
 * @param n 1 to `MOST_ARRANGED`
 * @throws RangeError outside that range
 */
export function ratioOf(n: number): number {
  return 1 + Math.max(...arrangement(n).map((p) => Math.hypot(p.x, p.y)));
}

const RATIOS = Array.from({ length: MOST_ARRANGED }, (_, i) => ratioOf(i + 1));

/**
 * Returns how many times a container's diameter a pot's must be for n of them, ≥ 1; Infinity where no arrangement is
 * kept.
 *
 * @param n whole, ≥ 1
 */
export function neededRatio(n: number): number {
  return RATIOS[n - 1] ?? Infinity;
}
