import { addDays, localDay } from "#core/calendar";
import type { UnitSystem } from "#core/quantity";

/** How a household writes days and times. */
export interface Times {
  /** IANA zone in which instants are read */
  zone: string;
  /** `us`: Nov 26, 2026; `metric`: 26 Nov 2026 */
  dates: UnitSystem;
  /** of the clock: 8:12 AM or 08:12 */
  hours: 12 | 24;
}

/** Returns how a household writes days and times: as it chose, otherwise by its units. @param zone another than its own */
export function timesOf(
  home: { zone: string; units: UnitSystem; dates: UnitSystem | null; hours: 12 | 24 | null },
  zone = home.zone,
): Times {
  return { zone, dates: home.dates ?? home.units, hours: home.hours ?? (home.units === "us" ? 12 : 24) };
}

const PARTS = {
  hour: { hour: "numeric", minute: "2-digit", second: "2-digit", hourCycle: "h12" },
  hour24: { hour: "2-digit", minute: "2-digit", second: "2-digit", hourCycle: "h23" },
  long: { day: "numeric", month: "long", year: "numeric", weekday: "short" },
  short: { day: "numeric", month: "short", year: "numeric", weekday: "short" },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * The parts of an instant. They are put together by hand, since browsers and servers do not agree on the space before
 * AM and the comma after a weekday. A formatter takes longer to make than a row of a list to draw, so each is made once.
 */
function partsOf(at: number, name: keyof typeof PARTS, zone: string): Record<string, string> {
  const key = `${name} ${zone}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat("en-US", { timeZone: zone, ...PARTS[name] });
    formats.set(key, format);
  }
  return Object.fromEntries(format.formatToParts(at).map((p) => [p.type, p.value]));
}

function timeOfDay(at: number, { zone, hours }: Pick<Times, "zone" | "hours">, withSeconds: boolean): string {
  const p = partsOf(at, hours === 12 ? "hour" : "hour24", zone);
  const time = `${p.hour}:${p.minute}${withSeconds ? `:${p.second}` : ""}`;
  return hours === 12 ? `${time} ${p.dayPeriod!.toUpperCase()}` : time;
}

/** `3:41 PM` or `15:41`, in the household's zone. @param at ms since 1970 UTC */
export const clockTime = (at: number, times: Times): string => timeOfDay(at, times, false);

/** `3:41:07 PM` or `15:41:07`. @param at ms since 1970 UTC */
export const clockSeconds = (at: number, times: Times): string => timeOfDay(at, times, true);

/** The day alone, in long or short months. @param year whether the year is said */
function dayOf(at: number, name: "long" | "short", { zone, dates }: Times, year = true): string {
  const p = partsOf(at, name, zone);
  if (dates === "us") return `${p.month} ${p.day}${year ? `, ${p.year}` : ""}`;
  return `${p.day} ${p.month}${year ? ` ${p.year}` : ""}`;
}

/** `November 20, 2026` or `20 November 2026`. @param at ms since 1970 UTC */
export const longDay = (at: number, times: Times): string => dayOf(at, "long", times);

/** `Nov 20` or `20 Nov`, for the axis of a chart. @param at ms since 1970 UTC */
export const monthDay = (at: number, times: Times): string => dayOf(at, "short", times, false);

/** `Fri 20`, for a line of days. @param at ms since 1970 UTC */
export function weekdayWords(at: number, { zone }: Times): string {
  const p = partsOf(at, "short", zone);
  return `${p.weekday} ${p.day}`;
}

/** `Nov 20, 2026` or `20 Nov 2026` from a local day `2026-11-20`. */
export const dayWords = (day: string, times: Times): string =>
  dayOf(Date.parse(day), "short", { ...times, zone: "UTC" });

/** `tomorrow`, `yesterday`, `Sat, Nov 21` or `Sat 21 Nov`; empty today; with its year when that is another. */
export function dayNear(at: number, now: number, times: Times): string {
  const day = localDay(at, times.zone);
  const today = localDay(now, times.zone);
  if (day === today) return "";
  if (day === addDays(today, 1)) return "tomorrow";
  if (day === addDays(today, -1)) return "yesterday";
  const { weekday } = partsOf(at, "short", times.zone);
  const words = dayOf(at, "short", times, day.slice(0, 4) !== today.slice(0, 4));
  return times.dates === "us" ? `${weekday}, ${words}` : `${weekday} ${words}`;
}

/** `3:41 PM` today, `tomorrow 9:10 AM`, `Sat, Nov 21, 9:10 AM`; `Sat 21 Nov, 09:10`. @param at ms since 1970 UTC */
export function whenWords(at: number, now: number, times: Times): string {
  const day = dayNear(at, now, times);
  const time = clockTime(at, times);
  if (day === "") return time;
  return /^[a-z]/.test(day) ? `${day} ${time}` : `${day}, ${time}`;
}

/** An instant as a field for day and time wants it, `2026-11-20T14:05`, in the household's zone. */
export function fieldTime(at: number, zone: string): string {
  return `${localDay(at, zone)}T${timeOfDay(at, { zone, hours: 24 }, false)}`;
}
