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
 * Fuel and water of one run: an estimate, and never a reason to fill less water than the manual says.
 *
 * Full flame until the weight is on, then about a third of it. What reaches the pot beyond warming it boils water: all
 * of it while venting; while holding under a weight about a tenth, since little steam is let go.
 * @param powerW of the burner at full flame, W, > 0
 * @param minutes heating up, venting with come-up, and at pressure
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
 * Water left in a canner, litres: what was put in less what its time steaming and holding boiled off. An estimate; the rule
 * stays never to let it run dry.
 * @param minutes venting (all the flame goes into steam) and held or brought up to pressure since
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
