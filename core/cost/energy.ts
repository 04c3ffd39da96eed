/** Part of its power a burner gives on the whole of a run: full to boil, low to hold. Assumed, no source. */
const BURNER_SHARE = 0.55;

/**
 * Energy a run took at the burner. An estimate: nobody measures a flame.
 * @param powerW the burner's full power
 * @param litMs from lighting to heat off, ms
 */
export function energyKWh(powerW: number, litMs: number): number {
  return (powerW * BURNER_SHARE * Math.max(0, litMs)) / 3.6e9;
}
