import { IANAZone } from "luxon";
import { MINUTE_MS } from "#core/quantity";
import { addDays, localDay, QUARTER_MS } from "./day.ts";
import { isSouth } from "./south.ts";

/** A day of the year on which something begins each year, `MM-DD`. */
export type DayOfYear = string;

/** A season: from the day it begins to the day before the next begins. */
export interface Season {
  /** for order and for grouping: the year it begins in, `2026` */
  key: string;
  /** `2026`, or `2026–27` when it goes on into the next year */
  name: string;
}

/** The days, months and seasons of one household. */
export interface Calendar {
  zone: string;
  /** local day of an instant, `2026-11-20`. @param at ms since 1970 UTC */
  dayOf(at: number): string;
  /** local month of an instant, `2026-11` */
  monthOf(at: number): string;
  /** the season an instant lies in */
  seasonOf(at: number): Season;
  /** first instant of a local day, ms since 1970 UTC; where midnight is skipped, the first there is */
  startOf(day: string): number;
  /** first instant of the day after, ms since 1970 UTC */
  endOf(day: string): number;
}

/**
 * Returns the day a season begins on unless the household chooses another: July 1 north of the equator, before the
 * first hunt, and January 1 south of it. Common practice, no source.
 *
 * @param zone IANA time zone name; one that is not known counts as north
 */
export const usualSeasonFrom = (zone: string): DayOfYear => (isSouth(zone) ? "01-01" : "07-01");

/** Returns whether a text names a day that every year has, as `MM-DD`: `07-01` does, `02-29` and `7-1` do not. */
export function isDayOfYear(text: string): boolean {
  // 2027 has no leap day.
  const at = /^\d\d-\d\d$/.test(text) ? Date.parse(`2027-${text}T00:00:00Z`) : NaN;
  return !Number.isNaN(at) && new Date(at).toISOString().slice(5, 10) === text;
}

/** So many quarters of an hour are remembered with their days, of each zone. */
const MOST_KEPT = 50_000;

const made = new Map<string, Calendar>();

/**
 * Returns the calendar of a household: days, months and seasons of instants in its zone. The same zone and season
 * return the same object.
 *
 * @param zone IANA time zone name
 * @param seasonFrom day a season begins on, `MM-DD`; null for the usual one of the zone's hemisphere
 * @throws RangeError for a zone that does not exist, or a day that not every year has
 */
export function calendarIn(zone: string, seasonFrom: DayOfYear | null = null): Calendar {
  const from = seasonFrom ?? usualSeasonFrom(zone);
  const key = `${zone} ${from}`;
  const known = made.get(key);
  if (known) return known;
  if (!IANAZone.isValidZone(zone)) throw new RangeError(`there is no time zone “${zone}”`);
  if (!isDayOfYear(from)) throw new RangeError(`“${from}” is no day that every year has`);
  const calendar = make(zone, from);
  made.set(key, calendar);
  return calendar;
}

function make(zone: string, from: DayOfYear): Calendar {
  const rules = IANAZone.create(zone);
  /** what the zone's clocks show, less UTC, ms */
  const offsetAt = (at: number): number => rules.offset(at) * MINUTE_MS;
  const days = new Map<number, string>();
  const dayOf = (at: number): string => {
    // Within a quarter of an hour it is one day: nothing in between need be asked of the zone twice.
    const step = Math.floor(at / QUARTER_MS);
    const known = days.get(step);
    if (known !== undefined) return known;
    if (days.size > MOST_KEPT) days.clear();
    const day = localDay(step * QUARTER_MS, zone);
    days.set(step, day);
    return day;
  };
  const startOf = (day: string): number => {
    const midnight = Date.parse(`${day}T00:00:00Z`);
    // Offsets lie between −12 and +14 hours; what is nearest is found by going back to the first step of the day.
    let at = midnight - offsetAt(midnight - offsetAt(midnight));
    while (dayOf(at) >= day) at -= QUARTER_MS;
    while (dayOf(at) < day) at += QUARTER_MS;
    return at;
  };
  return {
    zone,
    dayOf,
    monthOf: (at) => dayOf(at).slice(0, 7),
    seasonOf(at) {
      const day = dayOf(at);
      const year = Number(day.slice(0, 4)) - (day.slice(5) < from ? 1 : 0);
      const name = from === "01-01" ? String(year) : `${year}–${String((year + 1) % 100).padStart(2, "0")}`;
      return { key: String(year), name };
    },
    startOf,
    endOf: (day) => startOf(addDays(day, 1)),
  };
}
