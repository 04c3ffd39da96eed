/** Median of some numbers; the mean of the middle two when they are even in number. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const mid = sorted.length >> 1;
  return sorted.length % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
}

/** Median time of one call, ms, over `times` calls after some to warm up. */
export async function medianMs(work: () => unknown, times: number, warm = 5): Promise<number> {
  for (let i = 0; i < warm; i++) await work();
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    const began = performance.now();
    await work();
    took.push(performance.now() - began);
  }
  return median(took);
}
