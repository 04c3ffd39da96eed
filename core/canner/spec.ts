import { presetFor } from "../capacity/index.ts";
import { kPaFromPsi } from "../quantity/index.ts";

/** A canner on a burner, as physics. SI throughout. */
export interface CannerSpec {
  altitudeM: number;
  ambientC: number;
  /** inside the pot and not taken by jars, m³ */
  roomM3: number;
  /** pot, lid and rack, J/K */
  metalJK: number;
  /** jars and what is in them, J/K */
  jarsJK: number;
  /** seconds for the jars to come e⁻¹ nearer to the steam */
  jarsTauS: number;
  /** what the pot loses to the air, W/K, in still air */
  lossWK: number;
  /** burner at full flame, W, and the part of it that reaches the pot */
  burnerW: number;
  reaches: number;
  /** vent hole, and what leaks past gasket and petcock, m² */
  ventM2: number;
  leakM2: number;
  /** what the weight is made for, Pa; null for a petcock that is only shut */
  weightPa: number | null;
  /** a dead weight lifts a little and stays; one that rocks opens and falls back */
  rocks: boolean;
  /** air leaves by the vent less readily than its share of the gas, 0 to 1: it lies in corners */
  mixing: number;
  /** at the start */
  waterKg: number;
  waterC: number;
  jarsC: number;
}

/** A pint with what is in it: 0.45 kg of meat and 0.33 kg of glass, J/K. From memory. */
const PINT_JK = 0.45 * 3500 + 0.33 * 840;

/**
 * Returns the physical properties of a typical canner with its load, for practice, tests and demonstrations, in SI
 * units. All figures are typical, from memory.
 *
 * @param quarts size it is sold by, quarts, > 0
 * @param pints size of the load, in pint jars, ≥ 0
 * @param altitudeM meters above sea level, −5,000 to 11,000
 * @param weightPsi what the weight lifts at, psi; null for a petcock without a weight
 */
export function plausibleCanner(
  quarts: number,
  pints: number,
  altitudeM: number,
  weightPsi: number | null = null,
): CannerSpec {
  const pot = presetFor(quarts);
  const wholeM3 = (Math.PI / 4) * (pot.insideDiameterMm / 1000) ** 2 * (pot.usableHeightMm / 1000);
  return {
    altitudeM,
    ambientC: 15,
    roomM3: Math.max(0.005, wholeM3 - pints * 0.00058),
    metalJK: quarts * 0.28 * 900,
    jarsJK: Math.max(1, pints) * PINT_JK,
    jarsTauS: 1500,
    lossWK: 1.6 + quarts * 0.06,
    burnerW: 3800,
    reaches: 0.45,
    ventM2: Math.PI * 0.0022 ** 2,
    leakM2: Math.PI * 0.00012 ** 2,
    weightPa: weightPsi === null ? null : kPaFromPsi(weightPsi) * 1000,
    rocks: true,
    mixing: 0.25,
    waterKg: pot.waterLitres,
    waterC: 60,
    jarsC: 40,
  };
}
