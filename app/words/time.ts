import { addDays, localDay } from "#core/calendar";

const PARTS = {
  clock: { hour: "2-digit", minute: "2-digit" },
  seconds: { hour: "2-digit", minute: "2-digit", second: "2-digit" },
  long: { day: "numeric", month: "long", year: "numeric" },
  short: { day: "numeric", month: "short", year: "numeric" },
  week: { weekday: "short", day: "numeric", month: "short" },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

const formats = new Map<string, Intl.DateTimeFormat>();

/** A formatter takes longer to make than a row of a list to draw, so each is made once for a zone. */
function formatFor(parts: keyof typeof PARTS, zone: string): Intl.DateTimeFormat {
  const key = `${parts} ${zone}`;
  const known = formats.get(key);
  if (known) return known;
  const made = new Intl.DateTimeFormat("en-GB", { timeZone: zone, ...PARTS[parts] });
  formats.set(key, made);
  return made;
}

/** `15:41`, in the household's zone. @param at ms since 1970 UTC */
export const clockTime = (at: number, zone: string): string => formatFor("clock", zone).format(at);

/** `15:41:07`. */
export const clockSeconds = (at: number, zone: string): string => formatFor("seconds", zone).format(at);

/** `20 November 2026`. */
export const longDay = (at: number, zone: string): string => formatFor("long", zone).format(at);

/** `20 Nov 2026` from a local day `2026-11-20`. */
export const dayWords = (day: string): string => formatFor("short", "UTC").format(Date.parse(day));

/** `today 15:41`, `tomorrow 09:10`, `Sat 21 Nov, 09:10`. */
export function whenWords(at: number, now: number, zone: string): string {
  const day = localDay(at, zone);
  const time = clockTime(at, zone);
  const today = localDay(now, zone);
  if (day === today) return time;
  if (day === addDays(today, 1)) return `tomorrow ${time}`;
  if (day === addDays(today, -1)) return `yesterday ${time}`;
  // Put together by hand: not every browser and server agree on the comma after a weekday.
  const parts = formatFor("week", zone).formatToParts(at);
  const part = (type: string) => parts.find((p) => p.type === type)?.value;
  return `${part("weekday")} ${part("day")} ${part("month")}, ${time}`;
}

/** An instant as a field for day and time wants it, `2026-11-20T14:05`, in the household's zone. */
export function fieldTime(at: number, zone: string): string {
  return `${localDay(at, zone)}T${clockTime(at, zone)}`;
}
