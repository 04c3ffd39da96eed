import { formatAltitude } from "#core/quantity";
import { bandFor } from "#core/schedule";

/** An altitude in both units, with the pressures it leads to. One sentence, for showing back what was typed or saved. */
export function altitudeWords(m: number): string {
  const band = bandFor(m);
  const dial =
    band.dialPsi === null ? "no dial gauge may be used" : `a dial gauge must show ${band.dialPsi} lb`;
  return `${formatAltitude(m, "us")} is ${formatAltitude(m, "metric")}. There ${dial} and a weight is set to ${band.weightedPsi} lb.`;
}
