import fc from "fast-check";
import { DateTime } from "luxon";
import { describe, expect, test } from "vitest";
import { readWall, readWallText } from "#core/calendar";

const utc = (...parts: [number, number, number, number, number]) => Date.UTC(...parts);

// The rules of these zones are those of the IANA time zone database, which the machine brings along.
describe("a time on the wall", () => {
  test("is one instant on any common day", () => {
    expect(readWallText("2026-11-20T14:05", "America/Denver")).toEqual({
      is: "once",
      at: utc(2026, 10, 20, 21, 5),
    });
  });
  test.each([
    ["America/Denver", "2026-11-01T01:30", utc(2026, 10, 1, 7, 30), utc(2026, 10, 1, 8, 30)],
    ["Europe/Oslo", "2026-10-25T02:30", utc(2026, 9, 25, 0, 30), utc(2026, 9, 25, 1, 30)],
    ["Pacific/Auckland", "2026-04-05T02:30", utc(2026, 3, 4, 13, 30), utc(2026, 3, 4, 14, 30)],
    ["Australia/Lord_Howe", "2026-04-05T01:45", utc(2026, 3, 4, 14, 45), utc(2026, 3, 4, 15, 15)],
  ])("is two where the clocks go back over it: %s", (zone, text, first, second) => {
    expect(readWallText(text, zone)).toEqual({ is: "twice", at: [first, second] });
  });
  test.each([
    ["America/Denver", "2026-03-08T02:30", [2026, 3, 8, 2, 0], [2026, 3, 8, 3, 0]],
    ["Europe/Oslo", "2026-03-29T02:00", [2026, 3, 29, 2, 0], [2026, 3, 29, 3, 0]],
    ["Pacific/Auckland", "2026-09-27T02:59", [2026, 9, 27, 2, 0], [2026, 9, 27, 3, 0]],
    ["America/Havana", "2026-03-08T00:20", [2026, 3, 8, 0, 0], [2026, 3, 8, 1, 0]],
  ])("is none where they go forward over it: %s", (zone, text, from, to) => {
    const wall = ([year, month, day, hour, minute]: number[]) => ({ year, month, day, hour, minute });
    expect(readWallText(text, zone)).toEqual({ is: "skipped", from: wall(from), to: wall(to) });
  });
  test.each(["", "2026-02-30T10:00", "2026-11-20T24:30", "2026-11-20", "20.11.2026 14:05"])(
    "is nothing when it is no time: %s",
    (text) => expect(readWallText(text, "Europe/Oslo")).toBeNull(),
  );
  test("is nothing in a zone that does not exist", () =>
    expect(readWallText("2026-11-20T14:05", "Upland/Valley")).toBeNull());

  // A second reading: every minute of a year, the other way round, by what the clocks show at each instant.
  test.each(["America/Denver", "Europe/Oslo", "Pacific/Auckland", "Australia/Lord_Howe", "Asia/Kathmandu"])(
    "agrees with what the clocks of %s show at each instant of a year",
    (zone) => {
      fc.assert(
        fc.property(fc.integer({ min: 0, max: 366 * 24 * 60 }), (minute) => {
          const at = utc(2026, 0, 1, 0, 0) + minute * 60_000;
          const { year, month, day, hour, minute: m } = DateTime.fromMillis(at, { zone });
          const read = readWall({ year, month, day, hour, minute: m }, zone)!;
          expect(read.is === "twice" ? read.at : read.is === "once" ? [read.at] : []).toContain(at);
        }),
        { numRuns: 400 },
      );
    },
  );
});
