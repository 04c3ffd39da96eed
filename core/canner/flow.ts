/** Ratio of heats of steam. */
const GAMMA = 1.3;
const CRITICAL = (2 / (GAMMA + 1)) ** (GAMMA / (GAMMA - 1));
/** What a sharp-edged hole lets through of what it could. Standard value, from memory. */
const DISCHARGE = 0.8;

/**
 * Gas that leaves through a hole, kg/s: by the isentropic formula, choked where the outside is below the critical ratio.
 *
 * Source: any text on gas flow through orifices; from memory.
 * @param areaM2 of the hole, ≥ 0
 * @param insidePa and outside, absolute
 * @param density of the gas inside, kg/m³
 * @returns 0 when the outside is at the higher pressure
 */
export function outflow(areaM2: number, insidePa: number, outsidePa: number, density: number): number {
  if (insidePa <= outsidePa || areaM2 <= 0) return 0;
  const r = Math.max(CRITICAL, outsidePa / insidePa);
  const speed =
    ((2 * GAMMA) / (GAMMA - 1)) * insidePa * density * (r ** (2 / GAMMA) - r ** ((GAMMA + 1) / GAMMA));
  return DISCHARGE * areaM2 * Math.sqrt(speed);
}
