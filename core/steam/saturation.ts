/** Coefficients of the saturation line: IAPWS R7-97(2012), table 34. */
const N = [
  0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.1202082470247e5, -0.32325550322333e7,
  0.1491510861353e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
] as const;

/**
 * Returns the absolute pressure at which water and steam are in equilibrium, MPa.
 *
 * Source: IAPWS R7-97(2012), region 4, equation 30.
 * @param temperatureK K, 273.15 to 647.096
 * @throws RangeError outside that range
 */
export function saturationPressureMPa(temperatureK: number): number {
  if (!(temperatureK >= 273.15 && temperatureK <= 647.096)) {
    throw new RangeError(`temperature must lie between 273.15 and 647.096 K, got ${temperatureK}`);
  }
  const t = temperatureK + N[8] / (temperatureK - N[9]);
  const a = t * t + N[0] * t + N[1];
  const b = N[2] * t * t + N[3] * t + N[4];
  const c = N[5] * t * t + N[6] * t + N[7];
  return ((2 * c) / (-b + Math.sqrt(b * b - 4 * a * c))) ** 4;
}

/**
 * Returns the temperature of saturated steam, K.
 *
 * Source: IAPWS R7-97(2012), region 4, backward equation 31.
 * @param pressureMPa absolute, MPa, 0.000611213 to 22.064
 * @throws RangeError outside that range
 */
export function saturationTemperatureK(pressureMPa: number): number {
  if (!(pressureMPa >= 611.213e-6 && pressureMPa <= 22.064)) {
    throw new RangeError(`pressure must lie between 0.000611213 and 22.064 MPa, got ${pressureMPa}`);
  }
  const b = pressureMPa ** 0.25;
  const e = b * b + N[2] * b + N[5];
  const f = N[0] * b * b + N[3] * b + N[6];
  const g = N[1] * b * b + N[4] * b + N[7];
  const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g));
  return (N[9] + d - Math.sqrt((N[9] + d) ** 2 - 4 * (N[8] + N[9] * d))) / 2;
}
