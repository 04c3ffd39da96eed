/**
 * Where something belongs in a list that is in order: behind all that come before it or at the same place.
 * @param notAfter whether one of the list stands no later than what is to be put in
 */
export function placeAmong<T>(ordered: readonly T[], notAfter: (one: T) => boolean): number {
  let [low, high] = [0, ordered.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (notAfter(ordered[mid]!)) low = mid + 1;
    else high = mid;
  }
  return low;
}
