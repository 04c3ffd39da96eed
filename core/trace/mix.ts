/** One source going into a new lot: how much, and the shares of harvests in it. */
export interface MixSource {
  /** kg, > 0 */
  massKg: number;
  /** harvest id → fraction, adding up to 1 */
  shares: ReadonlyMap<string, number>;
}

/**
 * Returns the share of each harvest, 0 to 1, in what is made from sources that are each evenly mixed. They add up to 1
 * when those of the sources do.
 *
 * @throws RangeError when nothing goes in
 */
export function mixShares(sources: readonly MixSource[]): Map<string, number> {
  const total = sources.reduce((sum, s) => sum + s.massKg, 0);
  if (!(total > 0)) throw new RangeError("something must go into a lot");
  const mixed = new Map<string, number>();
  for (const { massKg, shares } of sources) {
    for (const [id, share] of shares) mixed.set(id, (mixed.get(id) ?? 0) + (share * massKg) / total);
  }
  return mixed;
}
