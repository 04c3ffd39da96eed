import { posterior, predict, type Belief, type Estimate } from "../estimate/index.ts";
import { type TypicalStep } from "./typical.ts";

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
 * Fraction that comes out of a part, learned from the household's own cases and drawn towards the prior.
 *
 * Two steps, each the closed-form normal posterior: what everybody else's cases say about the part, starting from the
 * typical; then the person's own, starting from that with the difference between people added to its doubt.
 * With nobody asked about, all cases count alike. Kept within 0 and 1.2 for reading; brine can add weight.
 * @param typical the prior, from common practice
 * @param cases weighed cases of the same animal, part and form
 * @param personId who holds the knife; null for the household as a whole
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

/** A yield as weight: what to expect from this much. All kg. */
export function expectedKg(inKg: number, y: LearnedYield): { kg: number; lowKg: number; highKg: number } {
  return { kg: inKg * y.mean, lowKg: inKg * y.low, highKg: inKg * y.high };
}
