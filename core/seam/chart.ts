/** Limits of an individuals chart, in the unit of its values. */
export interface Individuals {
  mean: number;
  /** mean of the differences between neighbours */
  meanRange: number;
  low: number;
  high: number;
  /** upper limit of the moving range */
  rangeHigh: number;
}

/** 3/d₂ and D₄ for ranges of two: NIST/SEMATECH e-Handbook 6.3.2.2 (d₂ = 1.128), from memory. */
const D2 = 1.128;
const D4 = 3.267;

/** Returns the absolute differences between neighboring values, in their unit; one fewer than values. */
export function movingRanges(values: readonly number[]): number[] {
  return values.slice(1).map((v, i) => Math.abs(v - values[i]!));
}

/**
 * Returns the center line and control limits of an individuals chart, in the unit of the values: mean ± 2.66 × mean
 * moving range.
 *
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2.
 * @param values in order, at least two
 * @param leastRange the mean moving range counts as no less: what the gauge's last digit moves
 * @throws RangeError for fewer than two values
 */
export function individuals(values: readonly number[], leastRange = 0): Individuals {
  if (values.length < 2) throw new RangeError("an individuals chart begins with two values");
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  const ranges = movingRanges(values);
  const meanRange = Math.max(leastRange, ranges.reduce((a, b) => a + b, 0) / ranges.length);
  const reach = (3 * meanRange) / D2;
  return { mean, meanRange, low: mean - reach, high: mean + reach, rangeHigh: D4 * meanRange };
}

/** Values a chart needs before it may judge the next. Common practice, no source. */
export const LEAST_VALUES = 6;
/** Values the limits are made from; after these they stand. Common practice, no source. */
export const BASE_VALUES = 20;
/** A run on one side of the mean that is no chance. Western Electric rules, from memory. */
export const RUN_LENGTH = 8;
/** What the last figure of a micrometer moves, mm (half a thousandth of an inch). Common practice, no source. */
export const GAUGE_STEP_MM = 0.0127;

export interface Drift {
  /** null with too few values to say */
  limits: Individuals | null;
  /** values the limits stand on */
  base: number;
  /** index of the first value beyond the limits (Western Electric rule 1) */
  beyondAt: number | null;
  side: "low" | "high" | null;
  /** the newest values lie all on one side of the mean: at least eight */
  run: { length: number; side: "low" | "high" } | null;
}

/**
 * Returns whether values in order have moved away from where they began. Each is judged by the limits of those before
 * it, from the first six up to the first twenty, and not by itself.
 *
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2, for the limits; six and twenty are common
 * practice, no source.
 * @param leastRange as in `individuals`
 */
export function driftOf(values: readonly number[], leastRange = 0): Drift {
  const none: Drift = { limits: null, base: values.length, beyondAt: null, side: null, run: null };
  if (values.length < LEAST_VALUES) return none;
  for (let i = LEAST_VALUES; i < values.length; i++) {
    const before = individuals(values.slice(0, Math.min(i, BASE_VALUES)), leastRange);
    const v = values[i]!;
    if (v < before.low || v > before.high) {
      const side = v < before.low ? "low" : "high";
      return { limits: before, base: Math.min(i, BASE_VALUES), beyondAt: i, side, run: null };
    }
  }
  const base = Math.min(values.length, BASE_VALUES);
  const limits = individuals(values.slice(0, base), leastRange);
  return { ...none, limits, base, run: runAtEnd(values, limits.mean) };
}

/** The run on one side of the mean that the values end with; null below eight. A value on the mean ends it. */
function runAtEnd(values: readonly number[], mean: number): Drift["run"] {
  const sides = values.map((v) => Math.sign(v - mean));
  const last = sides.at(-1)!;
  if (last === 0) return null;
  let length = 0;
  while (length < sides.length && sides[sides.length - 1 - length] === last) length++;
  return length >= RUN_LENGTH ? { length, side: last < 0 ? "low" : "high" } : null;
}
