import { MINUTE_MS, cFromF } from "#core/quantity";
/** One thing known about how cold something was. */
export interface ColdEntry {
  /** ms since 1970 UTC */
  at: number;
  /** °C; null when only the place was written down */
  tempC: number | null;
  place: string | null;
}

/** Above this it counts as warm, °C: 40 °F. Source: USDA FSIS consumer advice (the “danger zone”), from memory. */
export const COLD_LIMIT_C = cFromF(40);

/** Longest time between two readings that still counts as watched, minutes. Common practice, no source. */
export const WATCH_GAP_MINUTES = 12 * 60;

export interface WarmTime {
  /** minutes above the limit, between readings no further apart than the gap */
  warmMinutes: number;
  /** minutes that readings speak for */
  watchedMinutes: number;
  /** minutes between the first and the last instant that no reading speaks for */
  unwatchedMinutes: number;
  /** warmest reading, °C; null when there is none */
  warmestC: number | null;
}

/**
 * Returns how many minutes something was above a limit, going from reading to reading along straight lines, how many
 * minutes the readings cover, how many they do not, and the highest reading, °C, null when there is none.
 *
 * Between two readings further apart than the gap nothing is known: that time counts as unwatched. Entries without a
 * temperature and those after `until` are left out; of two at one instant the warmer counts.
 * @param entries in any order
 * @param until end of the account, ms since 1970 UTC
 * @param limitC °C; exactly at the limit is cold. 40 °F by USDA FSIS consumer advice, from memory
 * @param gapMinutes longest gap that counts as watched, minutes, > 0. Common practice, no source
 */
export function warmTime(
  entries: readonly ColdEntry[],
  until: number,
  limitC: number = COLD_LIMIT_C,
  gapMinutes: number = WATCH_GAP_MINUTES,
): WarmTime {
  const readings = entries
    .filter((e): e is ColdEntry & { tempC: number } => e.tempC !== null && e.at <= until)
    .sort((a, b) => a.at - b.at || a.tempC - b.tempC)
    .filter((e, i, all) => all[i + 1]?.at !== e.at);
  let warm = 0;
  let watched = 0;
  for (let i = 1; i < readings.length; i++) {
    const from = readings[i - 1]!;
    const to = readings[i]!;
    const minutes = (to.at - from.at) / MINUTE_MS;
    if (minutes > gapMinutes) continue;
    watched += minutes;
    warm += minutes * fractionAbove(from.tempC, to.tempC, limitC);
  }
  const whole = readings.length ? (until - readings[0]!.at) / MINUTE_MS : 0;
  return {
    warmMinutes: warm,
    watchedMinutes: watched,
    unwatchedMinutes: Math.max(0, whole - watched),
    warmestC: readings.reduce<number | null>(
      (top, r) => (top === null ? r.tempC : Math.max(top, r.tempC)),
      null,
    ),
  };
}

/** Fraction of a straight line from `a` to `b` that lies above the limit. */
function fractionAbove(a: number, b: number, limit: number): number {
  if (a <= limit && b <= limit) return 0;
  if (a > limit && b > limit) return 1;
  const crossing = (limit - a) / (b - a);
  return a > limit ? crossing : 1 - crossing;
}
