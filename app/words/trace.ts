/** A trace thinned to so many points: of each stretch its lowest and its highest, so that no dip is lost. */
export function thinned<T extends { at: number; kPa: number }>(points: readonly T[], most: number): T[] {
  if (points.length <= most) return [...points];
  const size = Math.ceil(points.length / (most / 2));
  const kept: T[] = [];
  for (let i = 0; i < points.length; i += size) {
    const part = points.slice(i, i + size);
    const low = part.reduce((a, b) => (b.kPa < a.kPa ? b : a));
    const high = part.reduce((a, b) => (b.kPa > a.kPa ? b : a));
    kept.push(...(low === high ? [low] : low.at < high.at ? [low, high] : [high, low]));
  }
  return kept;
}
