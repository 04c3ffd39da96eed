/** The temperature at which a minute counts as one, °C (250 °F). */
const REFERENCE_C = 121.11;
/** Degrees by which lethality grows tenfold for the spores that low-acid canning is about, °C (Stumbo 1973, from memory). */
const Z_C = 10;

/**
 * Returns how many minutes at 121.11 °C one minute at a temperature is worth, > 0, with z = 10 °C.
 *
 * Source: Bigelow et al. 1920; Stumbo 1973 for z; from memory.
 * @param tempC °C
 */
export function lethalRate(tempC: number): number {
  return 10 ** ((tempC - REFERENCE_C) / Z_C);
}

/**
 * Returns F₀ of a temperature history, minutes at 121.11 °C, ≥ 0: the area under the lethal rate, by trapezoids.
 *
 * Source: the general method, Bigelow et al. 1920; Stumbo 1973 for z; from memory.
 * @param tempsC temperature at even steps, °C
 * @param stepS seconds between two values, > 0
 * @throws RangeError when the step is not above 0
 */
export function lethality(tempsC: ArrayLike<number>, stepS: number): number {
  if (!(stepS > 0)) throw new RangeError("steps of time are above zero");
  let sum = 0;
  for (let i = 1; i < tempsC.length; i++) sum += lethalRate(tempsC[i - 1]!) + lethalRate(tempsC[i]!);
  return (sum * stepS) / 120;
}
