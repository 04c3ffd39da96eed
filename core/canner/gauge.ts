/** A dial gauge: what it shows more than there is, how slowly it follows, how finely it can be read. kPa and s. */
export interface GaugeSpec {
  errorKPa: number;
  lagS: number;
  noiseKPa: number;
}

export const SOUND_GAUGE: GaugeSpec = { errorKPa: 0, lagS: 3, noiseKPa: 0.15 };

/**
 * Returns what a dial gauge shows, kPa, ≥ 0, some seconds after it showed `before`: it follows the pressure with a
 * first-order lag and carries its error and noise.
 *
 * @param before what it showed, kPa, ≥ 0
 * @param trueKPa true gauge pressure, kPa; the needle's pin stops it at zero
 * @param seconds since then, ≥ 0
 * @param wobble place within the noise, −1 to 1
 */
export function gaugeAfter(
  spec: GaugeSpec,
  before: number,
  trueKPa: number,
  seconds: number,
  wobble: number,
): number {
  const toShow = Math.max(0, trueKPa) + (trueKPa > 1 ? spec.errorKPa : 0);
  const part = 1 - Math.exp(-seconds / Math.max(1e-6, spec.lagS));
  return Math.max(0, before + part * (toShow - before) + wobble * spec.noiseKPa);
}
