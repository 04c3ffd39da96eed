import { formatAltitude, formatTemperature, ftFromM, mFromFt, type UnitSystem } from "#core/quantity";
import type { RunView } from "#core/run";
import { altitudeOfBoiling, cannerSteam } from "#core/steam";

/** A thermometer and the weather of the day together may be off by this much, °C. Common practice, no source. */
const MAY_BE_OFF_C = 1;
/** A figure older than this says nothing of now, ms. */
const OLD_MS = 180_000;
/** Steam has driven enough air out to be steam's own temperature after this, ms. */
const SETTLED_MS = 300_000;

/**
 * What a thermometer in the steam says of where the canner stands, while it vents and a wrong altitude still costs nothing;
 * null when it agrees, or when there is none.
 */
export function boilWords(view: RunView, altitudeM: number, units: UnitSystem): string | null {
  const { lastTemp, vent } = view;
  if (view.phase !== "venting" || !lastTemp || vent.steadySince === null) return null;
  const steady = lastTemp.at - vent.steadySince;
  if (view.now - lastTemp.at > OLD_MS || steady < SETTLED_MS) return null;
  const { tempC } = lastTemp;
  const here = cannerSteam(altitudeM, 0).tempC;
  if (Math.abs(tempC - here) <= MAY_BE_OFF_C || tempC < 80 || tempC > 101) return null;
  const m = altitudeOfBoiling(tempC);
  // No finer than it can be known.
  const like = units === "us" ? mFromFt(Math.round(ftFromM(m) / 100) * 100) : Math.round(m / 50) * 50;
  return `The thermometer reads ${formatTemperature(tempC, units)} in the steam, and at ${formatAltitude(altitudeM, units)} it is ${formatTemperature(here, units)}: so it boils at about ${formatAltitude(like, units)}. The thermometer is off, or the canner stands elsewhere. Find out before the weight goes on.`;
}
