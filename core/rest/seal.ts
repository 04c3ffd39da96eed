const HOUR = 3_600_000;

/** What was found when a lid was pressed or a can end looked at. */
export type SealFinding = "sealed" | "failed";

/** What is done with a container that did not seal, or is in doubt. */
export const DISPOSITIONS = ["shelve", "chill", "freeze", "repack", "discard", "hold"] as const;
export type Disposition = (typeof DISPOSITIONS)[number];

/** Hours within which a failed seal must be dealt with. Source: USDA 2015, Guide 1, from memory. */
export const FAILED_SEAL_HOURS = 24;

/** Days a chilled, unsealed container keeps. Common practice, no source: 3 to 4 days; the shorter is used. */
export const CHILLED_DAYS = 3;

/**
 * Until when a failed container may still be chilled, frozen or packed anew: 24 hours from the end of the process.
 * @param heatOffAt when the heat went off, ms since 1970 UTC
 */
export function decideBy(heatOffAt: number): number {
  return heatOffAt + FAILED_SEAL_HOURS * HOUR;
}

/** Choices for a failed container at an instant: after the deadline it is thrown out. */
export function choicesForFailed(heatOffAt: number, now: number): Disposition[] {
  return now <= decideBy(heatOffAt) ? ["chill", "freeze", "repack", "discard"] : ["discard"];
}

/** By when what was decided must itself be done: eaten when chilled, repacked when to be repacked; null otherwise. */
export function dispositionDeadline(what: Disposition, decidedAt: number, heatOffAt: number): number | null {
  if (what === "chill") return decidedAt + CHILLED_DAYS * 24 * HOUR;
  if (what === "repack") return decideBy(heatOffAt);
  return null;
}
