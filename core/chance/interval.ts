/** Chance of at most k of n when each has chance p. */
function atMost(k: number, n: number, p: number): number {
  if (p <= 0) return 1;
  if (p >= 1) return k >= n ? 1 : 0;
  // Term by term from the likeliest end in logarithms, so that large n does not run out of digits.
  let log = n * Math.log1p(-p);
  let sum = Math.exp(log);
  for (let i = 1; i <= k; i++) {
    log += Math.log((n - i + 1) / i) + Math.log(p / (1 - p));
    sum += Math.exp(log);
  }
  return Math.min(1, sum);
}

/** The chance at which a falling function of it passes a level, by halving. */
function whereFalls(of: (p: number) => number, level: number): number {
  let low = 0;
  let high = 1;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (of(middle) > level) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * Returns the range of failure rates, 0 to 1, that a count does not rule out: the exact interval, never narrower than
 * it claims.
 *
 * Source: Clopper & Pearson 1934.
 * @param failed whole, 0 to `all`
 * @param all whole, ≥ 1
 * @param sure confidence, between 0 and 1
 * @throws RangeError when the counts are outside those ranges
 */
export function binomialInterval(failed: number, all: number, sure = 0.9): { low: number; high: number } {
  if (!Number.isSafeInteger(failed) || !Number.isSafeInteger(all) || failed < 0 || all < 1 || failed > all)
    throw new RangeError(`so many of so many, got ${failed} of ${all}`);
  const tail = (1 - sure) / 2;
  return {
    low: failed === 0 ? 0 : whereFalls((p) => atMost(failed - 1, all, p), 1 - tail),
    high: failed === all ? 1 : whereFalls((p) => atMost(failed, all, p), tail),
  };
}
