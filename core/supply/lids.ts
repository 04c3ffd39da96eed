/** A box of lids, or a stack of jars or cans of one kind, as far as laying out is concerned. */
export interface Box {
  id: string;
  label: string;
  left: number;
  /** ms since 1970 UTC; the older is taken first */
  since: number;
}

/**
 * Returns how many lids are taken from which boxes, the oldest first, and how many are missing, ≥ 0.
 *
 * @param count whole, ≥ 0
 */
export function takeFrom(
  boxes: readonly Box[],
  count: number,
): { taken: { box: Box; count: number }[]; missing: number } {
  let missing = count;
  const taken: { box: Box; count: number }[] = [];
  for (const box of [...boxes].sort((a, b) => a.since - b.since)) {
    const n = Math.min(missing, Math.max(0, box.left));
    if (n > 0) taken.push({ box, count: n });
    missing -= n;
  }
  return { taken, missing };
}
