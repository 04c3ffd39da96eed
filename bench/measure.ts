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

/** Median time of one call of each of several works, ms, that take turns. */
export async function mediansInTurn(
  works: readonly (() => unknown)[],
  times: number,
  warm = 5,
): Promise<number[]> {
  const took = works.map((): number[] => []);
  for (let i = 0; i < warm + times; i++)
    for (const [n, work] of works.entries()) {
      const began = performance.now();
      await work();
      if (i >= warm) took[n]!.push(performance.now() - began);
    }
  return took.map(median);
}
