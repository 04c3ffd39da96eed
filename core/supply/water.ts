/** Latent heat of boiling water near 115 °C, MJ/kg. Steam tables, from memory. */
const BOIL_MJ_KG = 2.22;
/** Heat of a kilogram of bottled gas, MJ, lower value. Standard value, from memory. */
const GAS_MJ_KG = 46;
/** Part of a burner's heat that reaches the pot, and part of full flame that holds pressure. From memory; both vary widely. */
const REACHES = { gas: 0.45, induction: 0.85 };
const HOLDING = 0.3;

export interface FireEstimate {
  /** boiled off while venting and holding, litres */
  boiledLitres: number;
  energyMJ: number;
  /** kilograms of bottled gas; null for electric */
  gasKg: number | null;
}

/**
 * Returns an estimate of one run's energy, MJ, bottled gas, kg (null for an electric burner), and water boiled off,
 * liters: full flame until the weight is on, then about a third. It is never a reason to fill less water than the
 * manual says. Common practice, no source.
 *
 * @param powerW of the burner at full flame, W, > 0
 * @param minutes heating up; venting with come-up; and at pressure, each ≥ 0
 * @param induction an electric burner whose heat reaches the pot almost whole
 * @throws RangeError when the power is not above 0
 */
export function fireEstimate(
  powerW: number,
  minutes: { heatUp: number; vent: number; process: number },
  induction = false,
): FireEstimate {
  if (!(powerW > 0)) throw new RangeError("a burner's power is above 0 W");
  const reaches = induction ? REACHES.induction : REACHES.gas;
  const mj = (min: number, part: number) => (powerW * part * min * 60) / 1e6;
  const energyMJ = mj(minutes.heatUp + minutes.vent, 1) + mj(minutes.process, HOLDING);
  const intoSteam = (mj(minutes.vent, 1) + 0.1 * mj(minutes.process, HOLDING)) * reaches;
  return {
    boiledLitres: intoSteam / BOIL_MJ_KG,
    energyMJ,
    gasKg: induction ? null : energyMJ / GAS_MJ_KG,
  };
}

/** Less than this left, and it may run dry before another whole time is served: litres. Common practice, no source. */
export const LOW_WATER_LITRES = 1;

/**
 * Returns an estimate of the water left in a canner, liters, ≥ 0: what was put in, less what boiled off. Common
 * practice, no source.
 *
 * @param startLitres liters put in, ≥ 0
 * @param powerW of the burner at full flame, W, > 0
 * @param minutes venting; and coming up or held since, each ≥ 0
 * @throws RangeError when the power is not above 0
 */
export function waterLeft(
  startLitres: number,
  powerW: number,
  minutes: { vent: number; pressure: number },
): number {
  const { boiledLitres } = fireEstimate(powerW, {
    heatUp: 0,
    vent: minutes.vent,
    process: minutes.pressure,
  });
  return Math.max(0, startLitres - boiledLitres);
}
