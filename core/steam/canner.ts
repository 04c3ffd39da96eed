import { SEA_LEVEL_PA, atmosphericPressurePa } from "./atmosphere.ts";
import { saturationPressureMPa, saturationTemperatureK } from "./saturation.ts";

/** What the inside of a vented canner is like at a gauge reading. */
export interface CannerSteam {
  atmosphericKPa: number;
  /** atmosphere plus gauge */
  absoluteKPa: number;
  /** the part of the absolute pressure that is steam */
  steamKPa: number;
  tempC: number;
}

/**
 * Returns the temperature in a canner, °C, with the pressures behind it, kPa, at a gauge pressure, an altitude and
 * some air left inside. Air holds up the gauge without heating: the steam's own pressure is (1 − air) of the total.
 *
 * Sources: U.S. Standard Atmosphere 1976; IAPWS R7-97(2012); Dalton's law.
 * @param altitudeM meters above sea level, −5,000 to 11,000
 * @param gaugeKPa true gauge pressure, kPa, ≥ 0
 * @param airFraction mole fraction of air, 0 to below 1
 * @throws RangeError outside those ranges
 */
export function cannerSteam(altitudeM: number, gaugeKPa: number, airFraction = 0): CannerSteam {
  if (!(gaugeKPa >= 0)) throw new RangeError(`gauge pressure must be 0 kPa or more, got ${gaugeKPa}`);
  if (!(airFraction >= 0 && airFraction < 1)) {
    throw new RangeError(`air fraction must be at least 0 and below 1, got ${airFraction}`);
  }
  const atmosphericKPa = atmosphericPressurePa(altitudeM) / 1000;
  const absoluteKPa = atmosphericKPa + gaugeKPa;
  const steamKPa = absoluteKPa * (1 - airFraction);
  return { atmosphericKPa, absoluteKPa, steamKPa, tempC: saturationTemperatureK(steamKPa / 1000) - 273.15 };
}

/**
 * Returns the altitude at which water boils at a temperature, meters above sea level.
 *
 * Sources: IAPWS R7-97(2012) for the pressure; U.S. Standard Atmosphere 1976, inverted, for the altitude.
 * @param tempC °C, 80 to 101
 * @throws RangeError outside that range
 */
export function altitudeOfBoiling(tempC: number): number {
  if (!(tempC >= 80 && tempC <= 101)) throw new RangeError(`water boils from 80 to 101 °C, got ${tempC}`);
  const pressurePa = saturationPressureMPa(tempC + 273.15) * 1e6;
  return (1 - (pressurePa / SEA_LEVEL_PA) ** (1 / 5.25588)) / 2.25577e-5;
}
