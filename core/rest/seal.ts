import { DAY_MS, HOUR_MS } from "#core/quantity";
import { TIMES_AROUND } from "#core/schedule";

/** What was found when a lid was pressed or a can end looked at. */
export type SealFinding = "sealed" | "failed";

/** What is done with a container that did not seal, or is in doubt. */
export const DISPOSITIONS = ["shelve", "chill", "freeze", "repack", "discard", "hold"] as const;
export type Disposition = (typeof DISPOSITIONS)[number];

/** Hours within which a failed seal must be dealt with. Source: USDA 2015, Guide 1, from memory. */
export const FAILED_SEAL_HOURS = TIMES_AROUND.afterFailedSeal.high;

/** Days a chilled, unsealed container keeps. Common practice, no source: 3 to 4 days; the shorter is used. */
export const CHILLED_DAYS = 3;

/**
 * Returns until when a failed container may be refrigerated, frozen or reprocessed, ms since 1970 UTC: 24 hours after
 * the process.
 *
 * Source: USDA 2015, Guide 1 (reprocessing unsealed jars), from memory.
 * @param heatOffAt when the heat was turned off, ms since 1970 UTC
 */
export function decideBy(heatOffAt: number): number {
  return heatOffAt + FAILED_SEAL_HOURS * HOUR_MS;
}

/**
 * Returns what may be done with a failed container at an instant; only throwing it out after the deadline of
 * `decideBy`.
 *
 * @param heatOffAt when the heat was turned off, ms since 1970 UTC
 * @param now ms since 1970 UTC
 */
export function choicesForFailed(heatOffAt: number, now: number): Disposition[] {
  return now <= decideBy(heatOffAt) ? ["chill", "freeze", "repack", "discard"] : ["discard"];
}

/**
 * Returns by when a decision must be carried out, ms since 1970 UTC: eaten when refrigerated, filled again when to be
 * reprocessed. Null for decisions without a deadline.
 *
 * @param decidedAt ms since 1970 UTC
 * @param heatOffAt when the heat was turned off, ms since 1970 UTC
 */
export function dispositionDeadline(what: Disposition, decidedAt: number, heatOffAt: number): number | null {
  if (what === "chill") return decidedAt + CHILLED_DAYS * DAY_MS;
  if (what === "repack") return decideBy(heatOffAt);
  return null;
}
