/** Clocks are set on full quarters of an hour, so no day begins in between. ms */
export const QUARTER_MS = 900_000;

const formats = new Map<string, Intl.DateTimeFormat>();

/** A formatter takes longer to make than a row of a list to draw, so each is made once for a zone. */
function formatIn(zone: string): Intl.DateTimeFormat {
  const known = formats.get(zone);
  if (known) return known;
  // Of all the ways to write a date, Sweden's is the one that sorts.
  const made = new Intl.DateTimeFormat("sv-SE", {
    timeZone: zone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
  });
  formats.set(zone, made);
  return made;
}

/**
 * Returns the local day of an instant, `2026-11-20`. Every day that is shown, grouped by or searched comes from here.
 *
 * @param at ms since 1970 UTC
 * @param zone IANA time zone name
 * @throws RangeError for a zone that does not exist
 */
export const localDay = (at: number, zone: string): string => formatIn(zone).format(at);

/**
 * Returns the day so many days after another, `2026-11-21` for `2026-11-20` and 1. A day of the calendar is not 24
 * hours: twice a year it has 23 or 25, and an instant a day later may be two days on, or none.
 *
 * @param day `YYYY-MM-DD`
 * @param days whole days; negative for days before
 * @throws RangeError for a text that is no day
 */
export function addDays(day: string, days: number): string {
  const at = new Date(`${day}T00:00:00Z`);
  at.setUTCDate(at.getUTCDate() + days);
  return at.toISOString().slice(0, 10);
}

/**
 * Returns the first instants of the local days that begin after one instant and before another, ms since 1970 UTC,
 * in order; empty when none begins there.
 *
 * @param from ms since 1970 UTC; a day that begins just then is one
 * @param until ms since 1970 UTC; a day that begins just then is none
 * @param zone IANA time zone name
 */
export function dayStarts(from: number, until: number, zone: string): number[] {
  const starts: number[] = [];
  const first = Math.ceil(from / QUARTER_MS) * QUARTER_MS;
  let day = localDay(first - QUARTER_MS, zone);
  for (let at = first; at < until; at += QUARTER_MS) {
    const next = localDay(at, zone);
    if (next !== day) starts.push(at);
    day = next;
  }
  return starts;
}
