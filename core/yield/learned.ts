import { posterior, predict, type Belief, type Estimate } from "../estimate/index.ts";
import type { TypicalStep } from "./typical.ts";

/** One weighed case: what went in, what came out, and who did it. */
export interface YieldCase {
  /** kg, > 0 */
  inKg: number;
  /** kg, ≥ 0 */
  outKg: number;
  personId: string | null;
}

export interface LearnedYield extends Estimate {
  /** cases of the person asked about, among `cases` */
  ownCases: number;
  /** where it started from */
  source: TypicalStep["source"];
}

/** How far one person's knife differs from another's at the same part, as a fraction. Common practice, no source. */
const BETWEEN_PEOPLE = 0.04;

/**
 * Returns the fraction of a part's weight that comes out, 0 to 1.2, with its 90 % interval, learned from the
 * household's own cases and starting from what is typical. Brine can add weight, so it may be above 1.
 *
 * Two steps of the normal posterior: what the others' cases say, then the person's own. Typical values are common
 * practice, no source.
 * @param cases weighed cases of the same animal, part and form
 * @param personId who cuts; null for the household as a whole
 */
export function learnedYield(
  typical: TypicalStep,
  cases: readonly YieldCase[],
  personId: string | null = null,
): LearnedYield {
  const ratio = (c: YieldCase) => c.outKg / c.inKg;
  const own = personId === null ? [] : cases.filter((c) => c.personId === personId);
  const others = personId === null ? cases : cases.filter((c) => c.personId !== personId);
  const household = posterior(typical, typical.scatter, others.map(ratio));
  const belief: Belief =
    own.length === 0
      ? household
      : posterior(
          { mean: household.mean, sd: Math.hypot(household.sd, BETWEEN_PEOPLE) },
          typical.scatter,
          own.map(ratio),
        );
  const estimate = predict(belief, typical.scatter, cases.length);
  return {
    ...estimate,
    low: Math.max(0, estimate.low),
    high: Math.min(1.2, estimate.high),
    ownCases: own.length,
    source: typical.source,
  };
}

/**
 * Returns what to expect from a weight by a yield: the mean and the 90 % interval, kg.
 *
 * @param inKg kg, ≥ 0
 */
export function expectedKg(inKg: number, y: LearnedYield): { kg: number; lowKg: number; highKg: number } {
  return { kg: inKg * y.mean, lowKg: inKg * y.low, highKg: inKg * y.high };
}
