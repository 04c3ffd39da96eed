import { saturationPressureMPa } from "./saturation.ts";

/** Critical point of water: K and kg/m³ (IAPWS R2-83). */
const TC = 647.096;
const RHO_C = 322;

const LIQUID = [1.99274064, 1.09965342, -0.510839303, -1.75493479, -45.5170352, -6.7469445e5] as const;
const LIQUID_POWERS = [1 / 3, 2 / 3, 5 / 3, 16 / 3, 43 / 3, 110 / 3] as const;
const VAPOUR = [-2.0315024, -2.6830294, -5.38626492, -17.2991605, -44.7586581, -63.9201063] as const;
const VAPOUR_POWERS = [2 / 6, 4 / 6, 8 / 6, 18 / 6, 37 / 6, 71 / 6] as const;

/** Boiling water and the steam over it at one temperature. */
export interface SaturatedWater {
  pressurePa: number;
  /** kg/m³ */
  liquidDensity: number;
  vapourDensity: number;
  /** J/kg, zero for liquid at the triple point */
  liquidEnthalpy: number;
  vapourEnthalpy: number;
  liquidEnergy: number;
  vapourEnergy: number;
}

/**
 * Returns the properties of water and steam in equilibrium, SI units: pressure, and density, enthalpy and energy of
 * each.
 *
 * Source: IAPWS SR1-86(1992), supplementary release on saturation properties (Wagner & Pruss 1993), coefficients from
 * memory, checked against steam tables; pressure from IAPWS R7-97.
 * @param tempC °C, 0.01 to 200
 * @throws RangeError outside that range
 */
export function saturatedWater(tempC: number): SaturatedWater {
  if (!(tempC >= 0.01 && tempC <= 200)) throw new RangeError(`water from 0.01 to 200 °C, got ${tempC}`);
  const t = tempC + 273.15;
  const theta = t / TC;
  const tau = 1 - theta;
  const pressurePa = saturationPressureMPa(t) * 1e6;
  const slope = ((saturationPressureMPa(t + 0.01) - saturationPressureMPa(t - 0.01)) / 0.02) * 1e6;
  const series = (of: readonly number[], powers: readonly number[]) =>
    of.reduce((sum, c, i) => sum + c * tau ** powers[i]!, 0);
  const liquidDensity = RHO_C * (1 + series(LIQUID, LIQUID_POWERS));
  const vapourDensity = RHO_C * Math.exp(series(VAPOUR, VAPOUR_POWERS));
  const alpha =
    1000 *
    (-1135.905627715 -
      5.65134998e-8 * theta ** -19 +
      2690.66631 * theta +
      127.287297 * theta ** 4.5 -
      135.003439 * theta ** 5 +
      0.981825814 * theta ** 54.5);
  const liquidEnthalpy = alpha + (t / liquidDensity) * slope;
  const vapourEnthalpy = alpha + (t / vapourDensity) * slope;
  return {
    pressurePa,
    liquidDensity,
    vapourDensity,
    liquidEnthalpy,
    vapourEnthalpy,
    liquidEnergy: liquidEnthalpy - pressurePa / liquidDensity,
    vapourEnergy: vapourEnthalpy - pressurePa / vapourDensity,
  };
}
