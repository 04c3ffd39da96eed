/** A belief about a mean: normal, with its mean and standard deviation. */
export interface Belief {
  mean: number;
  sd: number;
}

export interface Estimate extends Belief {
  /** 90 % interval of the next single case, which scatters about the mean */
  low: number;
  high: number;
  /** recorded cases behind it; 0 means it is the prior alone */
  cases: number;
}

/** Standard normal quantile of 0.95, so that mean ± this many deviations holds 90 %. NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.1 (1.645; more digits computed). */
export const Z90 = 1.6448536269514722;

/**
 * Returns what observed cases teach about a mean: the normal posterior in closed form, with its mean and standard
 * deviation in the unit of the cases.
 *
 * Source: Gelman et al., Bayesian Data Analysis, 2nd ed., eq. 2.12, from memory: precisions add, and the mean is
 * weighted by them.
 * @param prior belief before the cases; sd > 0
 * @param scatter standard deviation of one case about the mean, > 0
 * @throws RangeError when a spread is not above 0
 */
export function posterior(prior: Belief, scatter: number, cases: readonly number[]): Belief {
  if (!(prior.sd > 0) || !(scatter > 0))
    throw new RangeError("a belief and its scatter have a spread above 0");
  const own = 1 / prior.sd ** 2;
  const each = 1 / scatter ** 2;
  const sum = cases.reduce((a, b) => a + b, 0);
  const precision = own + cases.length * each;
  return { mean: (own * prior.mean + each * sum) / precision, sd: Math.sqrt(1 / precision) };
}

/**
 * Returns a belief with the 90 % interval of the next case, whose scatter is added to the uncertainty of the mean, in
 * the unit of the cases.
 *
 * Source: Gelman et al., Bayesian Data Analysis, 2nd ed., ch. 2, from memory.
 * @param scatter standard deviation of one case, > 0
 * @param cases how many cases are behind the belief, ≥ 0
 */
export function predict(belief: Belief, scatter: number, cases: number): Estimate {
  const spread = Z90 * Math.hypot(belief.sd, scatter);
  return { ...belief, low: belief.mean - spread, high: belief.mean + spread, cases };
}
