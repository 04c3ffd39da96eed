/** What became of a weight taken to the table. All kg. */
export interface Cutting {
  /** weight taken in */
  inKg: number;
  /** usable weight that came out as the lot */
  outKg: number;
  /** fat, silver skin and bone thrown out or set apart, weighed; null when nobody weighed it */
  trimKg: number | null;
}

export interface Balance {
  /** in − out − trim: what nobody can account for; 0 when the trim was not weighed, since it is then the trim */
  unaccountedKg: number;
  /** trim as weighed, or everything that did not come out */
  trimKg: number;
  /** out ÷ in, 0 to 1 */
  yield: number;
}

/** Scales at home agree to about this; a smaller difference is not worth a word, kg. Common practice, no source. */
export const SCALE_SLACK_KG = 0.02;

/**
 * Returns the balance of one cutting, kg: in = out + trim + unaccounted, exactly. The yield is out ÷ in, ≥ 0. Trim
 * that was not weighed is everything that did not come out, and then nothing is unaccounted for unless more came out
 * than went in.
 *
 * @throws RangeError when a weight is negative or nothing went in
 */
export function balanceOf(cutting: Cutting): Balance {
  const { inKg, outKg, trimKg } = cutting;
  if (!(inKg > 0) || !(outKg >= 0) || (trimKg !== null && !(trimKg >= 0))) {
    throw new RangeError("weights must be 0 kg or more, and something must go in");
  }
  const trim = trimKg ?? Math.max(0, inKg - outKg);
  return { unaccountedKg: inKg - outKg - trim, trimKg: trim, yield: outKg / inKg };
}

/**
 * Returns why a cutting is impossible, as a sentence: more than 0.02 kg more came out than went in. Null when it is
 * possible. The slack of scales is common practice, no source.
 *
 * @throws RangeError when a weight is negative or nothing went in
 */
export function impossibleCutting(cutting: Cutting): string | null {
  const balance = balanceOf(cutting);
  if (balance.unaccountedKg < -SCALE_SLACK_KG) {
    return cutting.trimKg === null
      ? "More came out than went in. Weigh again, or correct one of the two."
      : "The lot and the trim together weigh more than what went in. Weigh again, or correct one of the three.";
  }
  return null;
}
