import { DAY_MS } from "#core/quantity";

/** Days in the freezer after which quality goes: a year. Common practice, no source. */
export const FREEZER_DAYS = 365;
/** Days before that in which it is worth saying. */
const SOON_DAYS = 45;

export interface FreezerAge {
  days: number;
  /** ms since 1970 UTC at which the year is over */
  yearAt: number;
  standing: "fresh" | "soon" | "over";
}

/**
 * Returns how many whole days a lot has been frozen, ≥ 0, when its year is over, and whether that is near (45 days) or
 * past. Common practice, no source.
 *
 * @param frozenAt ms since 1970 UTC
 * @param now ms since 1970 UTC
 */
export function freezerAge(frozenAt: number, now: number): FreezerAge {
  const days = Math.max(0, Math.floor((now - frozenAt) / DAY_MS));
  return {
    days,
    yearAt: frozenAt + FREEZER_DAYS * DAY_MS,
    standing: days >= FREEZER_DAYS ? "over" : days >= FREEZER_DAYS - SOON_DAYS ? "soon" : "fresh",
  };
}
