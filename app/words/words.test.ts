import { describe, expect, test } from "vitest";
import { localDay } from "#core/calendar";
import { newRunState, viewOf, samplePlan } from "#core/run";
import { containersWords, loadWords, speciesWords } from "./load";
import { jarPartWords } from "./pack";
import { deviationWords, minutesWords, restartWords, servedMinutes } from "./run";
import { clockTime, dayWords, whenWords } from "./time";

const ZONE = "America/Denver";
const NOW = Date.UTC(2026, 10, 20, 21, 30); // 14:30 on 20 November in Denver

describe("times, in the household's own zone", () => {
  test("today, tomorrow, yesterday and other days", () => {
    expect(whenWords(NOW + 3_600_000, NOW, ZONE)).toBe("15:30");
    expect(whenWords(NOW + 18 * 3_600_000, NOW, ZONE)).toBe("tomorrow 08:30");
    expect(whenWords(NOW - 18 * 3_600_000, NOW, ZONE)).toBe("yesterday 20:30");
    expect(whenWords(NOW + 3 * 86_400_000, NOW, ZONE)).toBe("Mon 23 Nov, 14:30");
  });
  test("tomorrow is the day after today, also when that day has 23 or 25 hours", () => {
    // Denver's clocks went forward on 8 March 2026 and back on 1 November 2026 (IANA tz database).
    const saturdayNight = Date.UTC(2026, 2, 8, 6, 30);
    expect(whenWords(Date.UTC(2026, 2, 8, 15), saturdayNight, ZONE)).toBe("tomorrow 09:00");
    expect(whenWords(Date.UTC(2026, 2, 9, 15), saturdayNight, ZONE)).toBe("Mon 9 Mar, 09:00");
    const sundayEarly = Date.UTC(2026, 10, 1, 6, 30);
    expect(whenWords(Date.UTC(2026, 10, 2, 16), sundayEarly, ZONE)).toBe("tomorrow 09:00");
    const sundayLate = Date.UTC(2026, 10, 2, 6, 30);
    expect(whenWords(Date.UTC(2026, 9, 31, 15), sundayLate, ZONE)).toBe("yesterday 09:00");
  });
  test("late in the evening it is still the same local day, and a local day is never shifted", () => {
    expect(localDay(Date.UTC(2026, 10, 21, 5), ZONE)).toBe("2026-11-20");
    expect(dayWords("2026-11-20")).toMatch(/^20 Nov/);
  });
  test("a clock hour on either side of the autumn change", () => {
    expect(clockTime(Date.UTC(2026, 10, 1, 7, 30), ZONE)).toBe("01:30");
    expect(clockTime(Date.UTC(2026, 10, 1, 8, 30), ZONE)).toBe("01:30");
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
        { container: "jar-pint", mouth: "regular", count: 6, species: ["wild-boar"] },
        { container: "jar-quart", mouth: "wide", count: 1, species: ["pike"] },
      ]),
    ).toBe("6 pints of wild boar and 1 wide-mouth quart of pike");
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
    expect(restartWords(low, plan, "us", ZONE)).toBe(
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
    expect(restartWords(back, plan, "us", ZONE)).toBe(
      "Pressure was below 13 lb (12 lb) at 14:30, so the full 75 minutes began again at 14:32. Off the heat at 15:47.",
    );
    expect(restartWords(viewOf(newRunState(NOW), plan, NOW), plan, "us", ZONE)).toBeNull();
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
          ZONE,
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
    expect(deviationWords(cut, plan, "us", ZONE)).toBe(
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
