/** Sea-level pressure of the standard atmosphere, Pa (U.S. Standard Atmosphere, 1976, table 2). */
export const SEA_LEVEL_PA = 101_325;

/**
 * Returns the absolute atmospheric pressure at an altitude, Pa.
 *
 * Source: U.S. Standard Atmosphere, 1976 (NOAA-S/T 76-1562), equation 33a with the lapse of the lowest layer (6.5 K/km
 * from 288.15 K).
 * @param altitudeM geopotential altitude, m, −5,000 to 11,000
 * @throws RangeError outside that range
 */
export function atmosphericPressurePa(altitudeM: number): number {
  if (!(altitudeM >= -5000 && altitudeM <= 11_000)) {
    throw new RangeError(`altitude must lie between −5,000 and 11,000 m, got ${altitudeM}`);
  }
  return SEA_LEVEL_PA * (1 - 2.25577e-5 * altitudeM) ** 5.25588;
}
