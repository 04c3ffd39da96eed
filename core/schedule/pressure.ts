import { ftFromM } from "../quantity/index.ts";
import { COMMON_PRACTICE } from "./source.ts";

/** The kind of regulator the pressure is read from. */
export type GaugeKind = "dial" | "weighted";

/** One altitude band for jars. Pounds are read on the gauge, psi. */
export interface AltitudeBand {
  /** the band ends here, feet, this foot included; Infinity for the last */
  toFt: number;
  dialPsi: number | null;
  weightedPsi: number;
}

/** Pressure for jars by altitude. Source: USDA 2015, Guide 5, process times tables, from memory. */
export const JAR_BANDS: readonly AltitudeBand[] = [
  { toFt: 1000, dialPsi: 11, weightedPsi: 10 },
  { toFt: 2000, dialPsi: 11, weightedPsi: 15 },
  { toFt: 4000, dialPsi: 12, weightedPsi: 15 },
  { toFt: 6000, dialPsi: 13, weightedPsi: 15 },
  { toFt: 8000, dialPsi: 14, weightedPsi: 15 },
  { toFt: Infinity, dialPsi: null, weightedPsi: 15 },
];

/** Cans have one band only. */
export const CAN_BAND = { toFt: 1000, dialPsi: 11, weightedPsi: 10, source: COMMON_PRACTICE } as const;

/** Altitudes accepted anywhere in the product: from below the lowest shore to above the highest town. */
export const ALTITUDE_RANGE_M = { low: -457.2, high: 5181.6 } as const;

/**
 * Returns the altitude band of the process tables, with its pressures in psi. At or below sea level is the first band;
 * a fraction of a foot past a band's end is the next one.
 *
 * Source: USDA 2015, process tables, from memory.
 * @param altitudeM meters above sea level
 */
export function bandFor(altitudeM: number): AltitudeBand {
  const ft = ftFromM(altitudeM);
  return JAR_BANDS.find((band) => ft <= band.toFt)!;
}
