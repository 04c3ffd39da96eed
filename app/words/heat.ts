import { DROP_KPA, DROP_MINUTES, type Band, type Slip } from "#core/heat";
import { formatPressure, type UnitSystem } from "#core/quantity";

/** `87 %`; below one in a hundred `under 1 %`. */
export function shareWords(share: number): string {
  if (share < 0.01) return "under 1 %";
  return `${Math.round(share * 100)} %`;
}

/** `between 81 and 97 %`. */
export function bandWords({ low, high }: Band): string {
  return `between ${Math.round(low * 100)} and ${Math.round(high * 100)} %`;
}

/** What a slip is, and what it would have cost. */
export function slipWords(slip: Slip, units: UnitSystem): { title: string; why: string } {
  switch (slip) {
    case "drop":
      return {
        title: `${formatPressure(DROP_KPA, units)} too low for ${DROP_MINUTES} minutes, unseen`,
        why: "The middle follows the steam slowly down and slowly up. That is why the whole time starts again.",
      };
    case "no-vent":
      return {
        title: "The weight on at the first steam",
        why: "Air holds up the gauge and does not heat. The needle stands where it should, and the jars are cooler.",
      };
    case "sea-level":
      return {
        title: "Sea level's pressure at this altitude",
        why: "At altitude, the air outside leaves less pressure inside for the same needle, and cooler steam.",
      };
    case "timer-at-vent":
      return {
        title: "The timer started when steam came",
        why: "Venting and coming up are not minutes at pressure; the end is cut off, when the middle is hot.",
      };
  }
}
