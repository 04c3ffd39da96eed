/**
 * Returns the index where something belongs in a sorted list: after everything that comes before it or is at the same
 * place.
 *
 * @param notAfter whether an item of the list comes no later than the new one
 */
export function insertionIndex<T>(ordered: readonly T[], notAfter: (one: T) => boolean): number {
  let [low, high] = [0, ordered.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (notAfter(ordered[mid]!)) low = mid + 1;
    else high = mid;
  }
  return low;
}
