import { describe, expect, test } from "vitest";
import { localDay } from "#core/calendar";
import { newRunState, viewOf, samplePlan } from "#core/run";
import { containersWords, cutWords, loadWords, packWords, speciesWords } from "./load";
import { jarPartWords } from "./pack";
import { deviationWords, minutesWords, restartWords, servedMinutes } from "./run";
import { clockSeconds, clockTime, dayWords, longDay, timesOf, whenWords, type Times } from "./time";

const ZONE = "America/Denver";
const TIMES: Times = { zone: ZONE, dates: "metric", hours: 24 };
const AMERICAN: Times = { zone: ZONE, dates: "us", hours: 12 };
const NOW = Date.UTC(2026, 10, 20, 21, 30); // 14:30 on 20 November in Denver

describe("times, in the household's own zone", () => {
  test("today, tomorrow, yesterday and other days", () => {
    expect(whenWords(NOW + 3_600_000, NOW, TIMES)).toBe("15:30");
    expect(whenWords(NOW + 18 * 3_600_000, NOW, TIMES)).toBe("tomorrow 08:30");
    expect(whenWords(NOW - 18 * 3_600_000, NOW, TIMES)).toBe("yesterday 20:30");
    expect(whenWords(NOW + 3 * 86_400_000, NOW, TIMES)).toBe("Mon 23 Nov, 14:30");
  });
  test("tomorrow is the day after today, also when that day has 23 or 25 hours", () => {
    // Denver's clocks went forward on 8 March 2026 and back on 1 November 2026 (IANA tz database).
    const saturdayNight = Date.UTC(2026, 2, 8, 6, 30);
    expect(whenWords(Date.UTC(2026, 2, 8, 15), saturdayNight, TIMES)).toBe("tomorrow 09:00");
    expect(whenWords(Date.UTC(2026, 2, 9, 15), saturdayNight, TIMES)).toBe("Mon 9 Mar, 09:00");
    const sundayEarly = Date.UTC(2026, 10, 1, 6, 30);
    expect(whenWords(Date.UTC(2026, 10, 2, 16), sundayEarly, TIMES)).toBe("tomorrow 09:00");
    const sundayLate = Date.UTC(2026, 10, 2, 6, 30);
    expect(whenWords(Date.UTC(2026, 9, 31, 15), sundayLate, TIMES)).toBe("yesterday 09:00");
  });
  test("late in the evening it is still the same local day, and a local day is never shifted", () => {
    expect(localDay(Date.UTC(2026, 10, 21, 5), ZONE)).toBe("2026-11-20");
    expect(dayWords("2026-11-20", TIMES)).toMatch(/^20 Nov/);
  });
  test("as the household writes them: by its units, or as it chose", () => {
    const home = { zone: ZONE, dates: null, hours: null } as const;
    expect(timesOf({ ...home, units: "us" })).toEqual(AMERICAN);
    expect(timesOf({ ...home, units: "metric" })).toEqual(TIMES);
    expect(timesOf({ ...home, units: "us", hours: 24, dates: "metric" })).toEqual(TIMES);
    const morning = Date.UTC(2026, 10, 26, 15, 12, 7);
    expect(clockTime(morning, AMERICAN)).toBe("8:12 AM");
    expect(clockTime(morning, TIMES)).toBe("08:12");
    expect(clockSeconds(morning, AMERICAN)).toBe("8:12:07 AM");
    expect(longDay(morning, AMERICAN)).toBe("November 26, 2026");
    expect(longDay(morning, TIMES)).toBe("26 November 2026");
    expect(dayWords("2026-11-26", AMERICAN)).toBe("Nov 26, 2026");
    expect(whenWords(NOW + 18 * 3_600_000, NOW, AMERICAN)).toBe("tomorrow 8:30 AM");
    expect(whenWords(NOW + 3 * 86_400_000, NOW, AMERICAN)).toBe("Mon, Nov 23, 2:30 PM");
    expect(whenWords(Date.UTC(2027, 0, 4, 21, 30), NOW, AMERICAN)).toBe("Mon, Jan 4, 2027, 2:30 PM");
    // Noon and midnight, where twelve-hour clocks go wrong.
    expect(clockTime(Date.UTC(2026, 10, 20, 19), AMERICAN)).toBe("12:00 PM");
    expect(clockTime(Date.UTC(2026, 10, 20, 7), AMERICAN)).toBe("12:00 AM");
    expect(clockTime(Date.UTC(2026, 10, 20, 7), TIMES)).toBe("00:00");
  });
  test("a clock hour on either side of the autumn change", () => {
    expect(clockTime(Date.UTC(2026, 10, 1, 7, 30), TIMES)).toBe("01:30");
    expect(clockTime(Date.UTC(2026, 10, 1, 8, 30), TIMES)).toBe("01:30");
  });
});

describe("what stands where", () => {
  test("counts, mouths and plurals", () => {
    expect(containersWords("jar-pint", "regular", 1)).toBe("1 pint");
    expect(containersWords("jar-quart", "wide", 7)).toBe("7 wide-mouth quarts");
  });
  test("a load of several packs", () => {
    expect(speciesWords(["lake-trout", "pike"])).toBe("lake trout and pike");
    expect(
      loadWords([
        {
          container: "jar-pint",
          mouth: "regular",
          count: 6,
          product: "red-meat-pieces",
          species: ["wild-boar"],
          dish: null,
        },
        { container: "jar-quart", mouth: "wide", count: 1, product: "fish", species: ["pike"], dish: null },
      ]),
    ).toBe("6 pints of wild boar and 1 wide-mouth quart of pike");
  });
  test("a dish is told as the dish, and only in the pack that holds it", () => {
    const pack = { container: "jar-pint", mouth: "regular", count: 4, species: ["elk"] } as const;
    expect(packWords({ ...pack, product: "chile-con-carne", dish: null })).toBe("4 pints of elk chili");
    expect(packWords({ ...pack, product: "stewed-meat", dish: "Sunday stew" })).toBe(
      "4 pints of Sunday stew",
    );
    expect(packWords({ ...pack, product: "red-meat-pieces", dish: null })).toBe("4 pints of elk");
  });
  test("a part that names its animal does not name it twice", () => {
    expect(cutWords("Shank", ["wild-boar"])).toBe("Shank of wild boar");
    expect(cutWords("Hare meat", ["hare"])).toBe("Hare meat");
    expect(cutWords("Whole fish, gutted", ["lake-trout"])).toBe("Whole fish of lake trout, gutted");
  });
});

describe("a restart in one sentence", () => {
  const plan = samplePlan({ floorKPa: 89.632 });
  const dropped = {
    startedAt: NOW - 40 * 60_000,
    lastAtTarget: NOW - 60_000,
    endedAt: NOW,
    endedBy: "below-target" as const,
    seenBy: [],
    unobserved: [],
    endedAtKPa: 82.737,
  };
  test("while it is low, and when it is back", () => {
    const low = viewOf({ ...newRunState(NOW), phase: "pressurising", attempts: [dropped] }, plan, NOW);
    expect(restartWords(low, plan, "us", TIMES)).toBe(
      "Pressure was below 13 lb (12 lb) at 14:30, so the full 75 minutes start again when it is back at 13 lb.",
    );
    const again = {
      startedAt: NOW + 120_000,
      lastAtTarget: NOW + 120_000,
      endedAt: null,
      seenBy: [],
      unobserved: [],
    };
    const back = viewOf(
      { ...newRunState(NOW), phase: "processing", attempts: [dropped, again], restarts: 1 },
      plan,
      NOW + 180_000,
    );
    expect(restartWords(back, plan, "us", TIMES)).toBe(
      "Pressure was below 13 lb (12 lb) at 14:30, so the full 75 minutes started over at 14:32. Turn heat off at 15:47.",
    );
    expect(restartWords(viewOf(newRunState(NOW), plan, NOW), plan, "us", TIMES)).toBeNull();
  });
  test("every deviation has its sentence, with its time and unit", () => {
    for (const kind of [
      "below-target",
      "unwatched",
      "over-pressure",
      "weight-on-early",
      "ended-early",
      "weight-off-early",
      "lid-off-early",
      "aborted",
      "out-of-place",
    ] as const) {
      expect(
        deviationWords(
          { kind, at: NOW, gaugeKPa: 82.7, until: NOW + 1_200_000, text: "heat-on" },
          plan,
          "us",
          TIMES,
        ),
      ).toMatch(/^14:30: .+\.$/);
    }
  });
});

describe("minutes of a process", () => {
  const plan = samplePlan({ minutes: 75, extraMinutes: 5 });
  test("with what the household adds, and without", () => {
    expect(minutesWords(plan)).toBe("75 + 5 = 80 min (your choice)");
    expect(minutesWords(plan, "minutes")).toBe("75 + 5 = 80 minutes (your choice)");
    expect(minutesWords(samplePlan())).toBe("75 min");
  });
  test("cut short in the added ones: what was run is told, and that it is processed", () => {
    const cut = { kind: "extra-cut" as const, at: NOW };
    expect(servedMinutes({ deviations: [cut], completedAt: NOW }, plan)).toBe(75);
    // It was started over since, and then ran to its end.
    expect(servedMinutes({ deviations: [cut], completedAt: NOW + 9_000_000 }, plan)).toBe(80);
    expect(servedMinutes({ deviations: [], completedAt: NOW }, plan)).toBe(80);
    expect(deviationWords(cut, plan, "us", TIMES)).toBe(
      "14:30: the 75 scheduled minutes were complete; not all of the 5 extra minutes were run. This load is processed.",
    );
  });
});

describe("one ingredient's part of a jar", () => {
  const part = (role: "meat" | "liquid" | "seasoning", amount: number, units: "us" | "metric") =>
    jarPartWords({ name: "x", role, amount }, units);
  test("never rounds to nothing", () => {
    expect(part("meat", 0.2, "us")).toBe("7 oz");
    expect(part("meat", 0.004, "us")).toBe("a little");
    expect(part("meat", 0.004, "metric")).toBe("4 g");
    expect(part("liquid", 0.2, "us")).toBe("0.8 cups");
    expect(part("liquid", 0.01, "us")).toBe("2 tsp");
    expect(part("liquid", 0.0001, "us")).toBe("¼ tsp");
    expect(part("liquid", 0.01, "metric")).toBe("10 ml");
    expect(part("seasoning", 0.002, "us")).toBe("");
  });
});
