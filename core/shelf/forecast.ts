import { Z90 } from "../estimate/index.ts";

/** Months of history below which nothing is forecast. Common practice, no source. */
export const LEAST_MONTHS = 6;
/** How strongly the newest month counts. A quarter follows a change of habit in about four months; assumed, no source. */
const ALPHA = 0.25;

/**
 * Returns what each next value was expected to be by single exponential smoothing, in the unit of the values: S₂ to
 * Sₙ₊₁, the last one for the time after them.
 *
 * Source: NIST/SEMATECH e-Handbook 6.4.3.1: S₂ = y₁, then Sₜ = α yₜ₋₁ + (1 − α) Sₜ₋₁.
 * @param values in order of time
 * @param alpha > 0, ≤ 1
 * @throws RangeError outside that range
 */
export function smooth(values: readonly number[], alpha: number): number[] {
  if (!(alpha > 0 && alpha <= 1)) throw new RangeError(`alpha is above 0 and at most 1, got ${alpha}`);
  const out: number[] = [];
  for (const [i, y] of values.entries()) out.push(i === 0 ? y : alpha * y + (1 - alpha) * out[i - 1]!);
  return out;
}

export interface Forecast {
  /** expected a month */
  perMonth: number;
  /** 9 months of 10 lie between these */
  low: number;
  high: number;
  months: number;
}

/**
 * Returns how many of something a household takes in a month, ≥ 0, with the interval of the errors the same rule made
 * before; null when there are too few months.
 *
 * Source: NIST/SEMATECH e-Handbook 6.4.3.1; the smoothing constant is assumed.
 * @param perMonth how many in each month, in order, ≥ 0
 * @param alpha > 0, ≤ 1
 * @throws RangeError outside that range
 */
export function forecast(perMonth: readonly number[], alpha = ALPHA): Forecast | null {
  if (perMonth.length < LEAST_MONTHS) return null;
  const s = smooth(perMonth, alpha);
  const errors = perMonth.slice(1).map((y, i) => y - s[i]!);
  const spread = Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0) / Math.max(1, errors.length - 1));
  const next = s.at(-1)!;
  return {
    perMonth: next,
    low: Math.max(0, next - Z90 * spread),
    high: next + Z90 * spread,
    months: perMonth.length,
  };
}
