import type { Calendar } from "../calendar/index.ts";
import { DAY_MS } from "../quantity/index.ts";

/** The tables are compared again from so many days before a season begins. Common practice, no source. */
export const BEFORE_SEASON_DAYS = 30;

/**
 * Returns whether a row that was compared should be compared again: a new season is near or has begun since. What is
 * compared in the last 30 days before a season counts for it. Until then, and after, the row stays confirmed.
 *
 * @param comparedAt ms since 1970 UTC
 * @param now ms since 1970 UTC
 */
export function isYearCheckDue(comparedAt: number, now: number, calendar: Calendar): boolean {
  const seasonFor = (at: number) => Number(calendar.seasonOf(at + BEFORE_SEASON_DAYS * DAY_MS).key);
  return seasonFor(comparedAt) < seasonFor(now);
}
