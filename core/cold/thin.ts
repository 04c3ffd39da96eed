/**
 * Returns a long series with fewer points, for drawing: of each stretch the first, the lowest and the highest, in
 * order, so that no peak or dip is lost. A series that is short enough is returned as it is.
 *
 * @param points [instant, value], in order of instants
 * @param most about how many points to return, ≥ 6
 * @throws RangeError when `most` is below 6
 */
export function thinned(points: readonly [number, number][], most: number): [number, number][] {
  if (!(most >= 6)) throw new RangeError("a drawing needs at least 6 points");
  if (points.length <= most) return [...points];
  const stretches = Math.floor((most - 1) / 3);
  const kept: [number, number][] = [];
  for (let s = 0; s < stretches; s++) {
    const from = Math.floor((s * points.length) / stretches);
    const until = Math.floor(((s + 1) * points.length) / stretches);
    let low = from;
    let high = from;
    for (let i = from; i < until; i++) {
      if (points[i]![1] < points[low]![1]) low = i;
      if (points[i]![1] > points[high]![1]) high = i;
    }
    for (const i of [...new Set([from, low, high])].sort((a, b) => a - b)) kept.push(points[i]!);
  }
  if (kept.at(-1) !== points.at(-1)) kept.push(points.at(-1)!);
  return kept;
}
