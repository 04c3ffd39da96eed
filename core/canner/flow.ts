/** Ratio of heats of steam. */
const GAMMA = 1.3;
const CRITICAL = (2 / (GAMMA + 1)) ** (GAMMA / (GAMMA - 1));
/** What a sharp-edged hole lets through of what it could. Standard value, from memory. */
const DISCHARGE = 0.8;

/**
 * Returns how much gas leaves through a hole, kg/s, by the isentropic orifice formula; choked below the critical
 * pressure ratio. 0 when the outside is at the higher or the same pressure.
 *
 * Source: any text on gas flow through orifices; discharge coefficient 0.8 and ratio of heats 1.3 from memory.
 * @param areaM2 area of the hole, m², ≥ 0
 * @param insidePa absolute pressure inside, Pa, > 0
 * @param outsidePa absolute pressure outside, Pa, > 0
 * @param density of the gas inside, kg/m³, > 0
 */
export function outflow(areaM2: number, insidePa: number, outsidePa: number, density: number): number {
  if (insidePa <= outsidePa || areaM2 <= 0) return 0;
  const r = Math.max(CRITICAL, outsidePa / insidePa);
  const speed =
    ((2 * GAMMA) / (GAMMA - 1)) * insidePa * density * (r ** (2 / GAMMA) - r ** ((GAMMA + 1) / GAMMA));
  return DISCHARGE * areaM2 * Math.sqrt(speed);
}
