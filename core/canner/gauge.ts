/** A dial gauge: what it shows more than there is, how slowly it follows, how finely it can be read. kPa and s. */
export interface GaugeSpec {
  errorKPa: number;
  lagS: number;
  noiseKPa: number;
}

export const SOUND_GAUGE: GaugeSpec = { errorKPa: 0, lagS: 3, noiseKPa: 0.15 };

/**
 * What a gauge shows some seconds after it showed `before`.
 * @param trueKPa pressure there is; the needle's pin stops it at zero
 * @param wobble between −1 and 1
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
