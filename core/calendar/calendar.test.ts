import fc from "fast-check";
import { DateTime } from "luxon";
import { describe, expect, test } from "vitest";
import { addDays, calendarIn, dayStarts, isDayOfYear, isSouth, localDay, usualSeasonFrom } from "./index.ts";

// Held against luxon, which reads the same database of zones in a way of its own (IANA tz, by the ICU of Node).
const ZONES = [
  "America/Denver",
  "Europe/Oslo",
  "Pacific/Auckland",
  "America/St_Johns",
  "Australia/Lord_Howe",
  "Asia/Kathmandu",
  "Africa/Cairo",
  "America/Santiago",
  "UTC",
];
const HOUR = 3_600_000;
const from = Date.UTC(2026, 0, 1) - 30 * HOUR;

describe.each(ZONES)("%s", (zone) => {
  const calendar = calendarIn(zone);
  const luxon = (at: number) => DateTime.fromMillis(at, { zone });
  test("every hour of a year, its day and month, across both changes of the clocks", () => {
    const hours = Array.from({ length: 400 * 24 }, (_, n) => from + n * HOUR);
    expect(hours.map((at) => calendar.dayOf(at))).toEqual(hours.map((at) => luxon(at).toISODate()));
    expect(hours.map((at) => calendar.monthOf(at))).toEqual(hours.map((at) => luxon(at).toFormat("yyyy-MM")));
  });
  test("every day begins where luxon has it begin, and ends where the next begins", () => {
    for (let n = 0; n < 400; n++) {
      const day = DateTime.fromMillis(from, { zone }).startOf("day").plus({ days: n });
      expect(calendar.startOf(day.toISODate()!), day.toISO()!).toBe(day.toMillis());
      expect(calendar.endOf(day.toISODate()!)).toBe(day.plus({ days: 1 }).startOf("day").toMillis());
    }
  });
  test("the days that begin within a year are luxon's, each once", () => {
    const days = Array.from({ length: 400 }, (_, n) =>
      DateTime.fromMillis(from, { zone }).startOf("day").plus({ days: n }).startOf("day").toMillis(),
    );
    expect(dayStarts(days[0]!, days.at(-1)!, zone)).toEqual(days.slice(0, -1));
    expect(dayStarts(days[5]! + 1, days[6]!, zone)).toEqual([]);
  });
  test("any instant of two centuries", () =>
    fc.assert(
      fc.property(fc.integer({ min: Date.UTC(1971, 0, 1), max: Date.UTC(2090, 0, 1) }), (at) => {
        expect(calendar.dayOf(at)).toBe(luxon(at).toISODate());
        const day = calendar.dayOf(at);
        expect(localDay(at, zone)).toBe(day);
        expect(calendar.startOf(day)).toBeLessThanOrEqual(at);
        expect(calendar.endOf(day)).toBeGreaterThan(at);
      }),
      { numRuns: 300 },
    ));
});

test("a jar canned at 18:42 is of that day, not of tomorrow's", () => {
  expect(calendarIn("America/Denver").dayOf(Date.UTC(2026, 10, 21, 1, 42))).toBe("2026-11-20");
});

test("a season goes on over New Year in the north, and begins with it in the south", () => {
  const denver = calendarIn("America/Denver");
  const on = (day: string) => denver.seasonOf(denver.startOf(day)).name;
  expect(["2026-06-30", "2026-07-01", "2026-12-31", "2027-01-01", "2027-06-30"].map(on)).toEqual([
    "2025–26",
    "2026–27",
    "2026–27",
    "2026–27",
    "2026–27",
  ]);
  const auckland = calendarIn("Pacific/Auckland");
  expect(auckland.seasonOf(auckland.startOf("2027-01-01"))).toEqual({ key: "2027", name: "2027" });
  expect(auckland.seasonOf(auckland.startOf("2027-01-01") - 1).name).toBe("2026");
  const own = calendarIn("Europe/Oslo", "08-25");
  expect(own.seasonOf(own.startOf("2026-08-24")).key).toBe("2025");
  expect(own.seasonOf(own.startOf("2026-08-25")).key).toBe("2026");
});

test("which half of the earth a zone lies in", () => {
  expect(["America/Denver", "Europe/Oslo", "Asia/Tokyo"].map(isSouth)).toEqual([false, false, false]);
  expect(["Pacific/Auckland", "Australia/Hobart", "Africa/Johannesburg"].map(isSouth)).toEqual([
    true,
    true,
    true,
  ]);
  expect(usualSeasonFrom("Pacific/Auckland")).toBe("01-01");
});

test("a zone that does not exist, and a day that not every year has, are refused", () => {
  expect(() => calendarIn("America/Atlantis")).toThrow(RangeError);
  for (const day of ["02-29", "13-01", "7-1", "00-10", "today"]) {
    expect(isDayOfYear(day), day).toBe(false);
    expect(() => calendarIn("UTC", day), day).toThrow(RangeError);
  }
  expect(isDayOfYear("02-28")).toBe(true);
});

test("a day so many days on is luxon's, over leap days and the turn of years", () =>
  fc.assert(
    fc.property(
      fc.integer({ min: Date.UTC(1971, 0, 1), max: Date.UTC(2090, 0, 1) }),
      fc.integer({ min: -800, max: 800 }),
      (at, days) => {
        const day = DateTime.fromMillis(at, { zone: "utc" });
        expect(addDays(day.toISODate()!, days)).toBe(day.plus({ days }).toISODate());
      },
    ),
  ));
