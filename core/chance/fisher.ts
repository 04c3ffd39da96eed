/** Counts of two groups: how many of each failed and how many did not. Whole numbers from 0. */
export interface Table {
  failed: number;
  sound: number;
  otherFailed: number;
  otherSound: number;
}

const logFactorials: number[] = [0];
/** ln n!, summed and kept. @param n whole, from 0 */
function logFactorial(n: number): number {
  for (let i = logFactorials.length; i <= n; i++) logFactorials.push(logFactorials[i - 1]! + Math.log(i));
  return logFactorials[n]!;
}
const logChoose = (n: number, k: number) => logFactorial(n) - logFactorial(k) - logFactorial(n - k);

/** Two chances this near each other are the same one, reached by different rounding. */
const SAME = 1e-9;

/**
 * Returns Fisher's exact test of a two-by-two table, probabilities from 0 to 1: `more`, that at least so many failed
 * in the first group when both fail alike; `two`, two-sided, the sum of all tables with these margins no likelier than
 * this one.
 *
 * Source: Fisher 1935, The Design of Experiments, ch. 2.
 * @throws RangeError when a count is not whole or below 0
 */
export function fisherExact({ failed, sound, otherFailed, otherSound }: Table): {
  more: number;
  two: number;
} {
  for (const n of [failed, sound, otherFailed, otherSound])
    if (!Number.isSafeInteger(n) || n < 0) throw new RangeError(`counts are whole and 0 or more, got ${n}`);
  const row = failed + sound;
  const other = otherFailed + otherSound;
  const bad = failed + otherFailed;
  const all = logChoose(row + other, bad);
  const chance = (k: number) => Math.exp(logChoose(row, k) + logChoose(other, bad - k) - all);
  const here = chance(failed);
  let more = 0;
  let two = 0;
  for (let k = Math.max(0, bad - other); k <= Math.min(row, bad); k++) {
    const p = chance(k);
    if (k >= failed) more += p;
    if (p <= here * (1 + SAME)) two += p;
  }
  return { more: Math.min(1, more), two: Math.min(1, two) };
}
