import { DateTime } from "luxon";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { loggerColumns, loggerReader, type LoggerReading } from "./index.ts";

const how: LoggerReading = {
  zone: "America/Denver",
  dateOrder: "month-first",
  now: Date.UTC(2026, 10, 23),
  notBefore: null,
};

function read(header: string, lines: string[], more: Partial<LoggerReading> = {}) {
  const columns = loggerColumns(header.split(","));
  if (typeof columns === "string") throw new Error(columns);
  const reader = loggerReader(columns, { ...how, ...more });
  const all = lines.map((l, i) => reader(i + 2, l.split(",")));
  return { rows: all.flatMap((a) => a.rows), refused: all.flatMap((a) => a.refused) };
}

describe("the columns of a logger file", () => {
  test("are found by name, in any order and case", () => {
    expect(loggerColumns(["Sensor", "Date Time", "Temperature (°F)"])).toEqual({
      time: 1,
      clock: null,
      probe: 0,
      temps: [{ index: 2, unit: "F", probe: null }],
    });
    expect(loggerColumns(["date", "time", "temp_C"])).toMatchObject({ time: 0, clock: 1 });
  });
  test("two temperature columns are two probes; the same in °C and °F is one", () => {
    expect(loggerColumns(["time", "Ham °C", "Shoulder °C", "probe"])).toMatchObject({
      temps: [{ probe: "Ham °C" }, { probe: "Shoulder °C" }],
    });
    expect(loggerColumns(["time", "Temp (F)", "Temp (C)"])).toMatchObject({
      temps: [{ index: 2, unit: "C", probe: null }],
    });
  });
  test("a file without names, without a time or without a temperature says what to write above it", () => {
    expect(loggerColumns(["2026-11-20 14:00", "3.1"])).toMatch(/holds readings, not names/);
    expect(loggerColumns(["temp_C", "probe"])).toMatch(/No column is named time/);
    expect(loggerColumns(["time", "humidity"])).toMatch(/No column is named temp/);
  });
});

describe("one line of a logger file", () => {
  test("°C and °F, by the column or by the cell, which goes first", () => {
    const { rows, refused } = read("time,temp_C", [
      "2026-11-20 14:00,3.5",
      "2026-11-20 14:10,39.2F",
      "2026-11-20 14:20,4 °C",
    ]);
    expect(refused).toEqual([]);
    expect(rows.map((r) => r.tempC)).toEqual([3.5, expect.closeTo(4, 9), 4]);
  });
  test("no unit anywhere is refused with its line, never guessed", () =>
    expect(read("time,temp", ["2026-11-20 14:00,38"]).refused).toEqual([
      { line: 2, reason: expect.stringMatching(/^No unit/) },
    ]));
  test("times with an offset are taken by it, times without by the household’s zone", () => {
    const { rows } = read("time,temp_C", [
      "2026-11-20T14:00:00Z,3",
      "2026-11-20T14:00:00-03:00,3",
      "2026-11-20 14:00,3",
      "2026-11-20 14:00:30,3",
    ]);
    expect(rows.map((r) => new Date(r.at).toISOString())).toEqual([
      "2026-11-20T14:00:00.000Z",
      "2026-11-20T17:00:00.000Z",
      "2026-11-20T21:00:00.000Z",
      "2026-11-20T21:00:30.000Z",
    ]);
  });
  test("03/04/2026 is March or April as the household says; 03.04.2026 is April everywhere", () => {
    const day = (text: string, dateOrder: LoggerReading["dateOrder"]) =>
      new Date(read("time,temp_C", [`${text} 2:05 PM,3`], { dateOrder }).rows[0]!.at).toISOString();
    expect(day("03/04/2026", "month-first")).toBe("2026-03-04T21:05:00.000Z");
    expect(day("03/04/2026", "day-first")).toBe("2026-04-03T20:05:00.000Z");
    expect(day("03.04.2026", "month-first")).toBe("2026-04-03T20:05:00.000Z");
  });
  test("12 AM is midnight and 12 PM is noon", () =>
    expect(
      read("time,temp_C", ["11/20/2026 12:00 AM,3", "11/20/2026 12:00 PM,3"]).rows.map((r) =>
        new Date(r.at).toISOString().slice(11, 16),
      ),
    ).toEqual(["07:00", "19:00"]));
  test("the hour the clocks go through twice: after the first, it is the second", () => {
    // In the autumn of 2026 clocks there go back from 02:00 to 01:00 on 1 November.
    const { rows } = read("time,temp_C", [
      "2026-11-01 00:30,3",
      "2026-11-01 01:30,3",
      "2026-11-01 01:30,3",
      "2026-11-01 01:00,3",
      "2026-11-01 01:45,3",
    ]);
    const hours = rows.map((r) => new Date(r.at).toISOString().slice(11, 16));
    expect(hours).toEqual(["06:30", "07:30", "07:30", "08:00", "08:45"]);
  });
  test("an hour the clocks leap over did not happen", () =>
    expect(read("time,temp_C", ["2026-03-08 02:30,3"]).refused[0]!.reason).toMatch(/clocks went forward/));
  test("blank lines are passed over, and everything else says why it is refused", () => {
    const { rows, refused } = read(
      "time,probe,temp_C",
      [
        ",,",
        "2026-11-20 14:00,A,",
        "yesterday,A,3",
        "2026-13-40 14:00,A,3",
        "2026-11-20 14:00,A,cold",
        "2026-11-20 14:00,A,300",
        "2027-01-01 00:00,A,3",
        ",A,3",
        "2026-11-01 14:00,A,3",
      ],
      { notBefore: Date.UTC(2026, 10, 15) },
    );
    expect(rows).toEqual([]);
    expect(refused.map((r) => r.line)).toEqual([3, 4, 5, 6, 7, 8, 9, 10]);
    expect(refused.map((r) => r.reason).join("\n")).toMatchInlineSnapshot(`
      "No temperature in this line.
      “yesterday” is not a time. Write it like 2026-11-20 14:05.
      “2026-13-40 14:00” is not a day and time that exists.
      “cold” is not a temperature.
      300 is outside what a probe in meat can read.
      That time is in the future.
      No time in this line.
      This is before the animal was taken."
    `);
  });
  test("two probes side by side keep their names", () => {
    const { rows } = read("time,Ham °C,Loin °F", ["2026-11-20 14:00,3,39.2", "2026-11-20 15:00,,38"]);
    expect(rows.map((r) => r.probe)).toEqual(["Ham °C", "Loin °F", "Loin °F"]);
  });
  // luxon is the reference: what it writes in any zone, with the offset, is read back to the same instant.
  test("whatever luxon writes with an offset is read back to the second", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2026, 10, 22) }),
        fc.constantFrom("America/Denver", "Europe/Oslo", "Pacific/Auckland", "Asia/Kathmandu", "utc"),
        (at, zone) => {
          const second = Math.floor(at / 1000) * 1000;
          const text = DateTime.fromMillis(second, { zone }).toISO({ suppressMilliseconds: true })!;
          expect(read("time,temp_C", [`${text},3`]).rows[0]!.at).toBe(second);
        },
      ),
    ));
});
