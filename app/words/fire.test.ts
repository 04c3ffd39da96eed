import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "#core/quantity";
import { ALARMS, RUN_EVENT_TYPES, newRunState, runAt, viewOf, type RunEvent, samplePlan } from "#core/run";
import { boilWords } from "./boil";
import { bandWords, shareWords, slipWords } from "./heat";
import { readGauge } from "./reading";
import { ALARM_WORDS, ANSWERS } from "./alarm";
import { EVENT_WORDS, aimWords, deviationWords, eventWords, restartWords } from "./run";
import { stageSigns } from "./stage";
import { thinned } from "./trace";

const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
const plan = samplePlan({ floorKPa: kPaFromPsi(12) });
const event = (over: Partial<RunEvent>): RunEvent => ({ id: "e", at: T0, seq: 0, type: "note", ...over });

describe("every event and alarm has its words", () => {
  test("no kind of event is without a name, no alarm without an answer", () => {
    for (const type of RUN_EVENT_TYPES) expect(EVENT_WORDS[type]).toMatch(/^[A-Z]/);
    for (const alarm of ALARMS) {
      expect(ALARM_WORDS[alarm]).toMatch(/^[A-Z]/);
      expect(ANSWERS[alarm].length).toBeGreaterThan(0);
    }
  });
  test.each<[Partial<RunEvent>, string]>([
    [{ type: "reading", gaugeKPa: kPaFromPsi(12.5) }, "Dial read 12.5 lb"],
    [{ type: "reading", gaugeKPa: kPaFromPsi(12.5), source: "Sender" }, "12.5 lb by Sender"],
    [{ type: "reading", tempC: 100 }, "212 °F"],
    [{ type: "jiggles", perMinute: 1 }, "Weight rocks 1 time a minute"],
    [{ type: "jiggles", perMinute: 4 }, "Weight rocks 4 times a minute"],
    [{ type: "weight-on", weightKPa: kPaFromPsi(15) }, "15 lb weight on"],
    [{ type: "container-out", container: "V49-5", siphoned: "some" }, "V49-5 out, lost some liquid"],
    [{ type: "confirmed", asked: "size", text: "pints" }, "Looked at: pints"],
    [{ type: "silence", alarm: "below-target", text: "Flame is up" }, "Too low answered: Flame is up"],
    [{ type: "gauge-aside", source: "Sender", text: "wet" }, "Out of service: Sender: wet"],
  ])("%o", (over, words) => expect(eventWords(event(over), "us")).toBe(words));
});

describe("deviations and restarts", () => {
  test("gauges that disagree are told with both figures and which counts", () =>
    expect(
      deviationWords(
        { kind: "gauges-disagree", at: T0, gaugeKPa: kPaFromPsi(11), otherKPa: kPaFromPsi(13) },
        plan,
        "us",
        { zone: "UTC", dates: "metric", hours: 24 },
      ),
    ).toBe(
      "09:00: two gauges disagree, 11 lb and 13 lb. For the food the lower counts, for the lid the higher.",
    ));
  test("a gauge that is set aside says why the timer starts over", () => {
    const events = [
      event({ id: "1", type: "steam-steady" }),
      event({ id: "2", type: "weight-on", at: T0 + 11 * MIN }),
      event({ id: "3", type: "reading", at: T0 + 15 * MIN, gaugeKPa: 85, source: "A" }),
      event({ id: "4", type: "gauge-aside", at: T0 + 20 * MIN, source: "A" }),
    ];
    const view = runAt(plan, events, T0, T0 + 21 * MIN);
    expect(restartWords(view, plan, "us", { zone: "UTC", dates: "metric", hours: 24 })).toMatch(
      /Only the gauge you stopped using showed enough pressure/,
    );
  });
  test("the margin is told with the minimum beside it", () => {
    expect(aimWords(plan, "us")).toBe("12 lb or just above");
    expect(aimWords({ ...plan, marginKPa: kPaFromPsi(1) }, "us")).toBe("13 lb, never below 12 lb");
  });
});

test("each stage at the stove says what to see and hear; what is over says nothing", () => {
  const at = (phase: "venting" | "processing" | "cooling" | "checked") =>
    stageSigns(viewOf({ ...newRunState(T0), phase }, plan, T0), plan, "us");
  expect(at("venting")!.hear).toContain("hiss");
  expect(at("processing")!.see).toContain("needle");
  expect(at("cooling")!.see).toContain("lock");
  expect(at("checked")).toBeNull();
});

describe("a reading as typed", () => {
  test("in the household's unit, or its own", () => {
    expect(readGauge("12 1/2", "us")).toEqual({ ok: true, kPa: kPaFromPsi(12.5) });
    expect(readGauge("84 kPa", "us")).toEqual({ ok: true, kPa: 84 });
  });
  test("more than any canner shows is refused, with what was probably meant", () => {
    const read = readGauge("84", "us");
    expect(read.ok).toBe(false);
    expect(read).toMatchObject({ why: expect.stringMatching(/No canner shows 84 lb.*84 kPa/) });
    expect(readGauge("lots", "us").ok).toBe(false);
  });
});

describe("what the heat did, in words", () => {
  test("shares and bands are whole percents, and next to nothing says so", () => {
    expect(shareWords(1.194)).toBe("119 %");
    expect(shareWords(0.004)).toBe("under 1 %");
    expect(bandWords({ low: 0.812, middle: 0.9, high: 0.968, draws: 500 })).toBe("between 81 and 97 %");
  });
  test("every slip has a title and a why, without a number that could be taken for leave", () => {
    for (const slip of ["drop", "no-vent", "sea-level", "timer-at-vent"] as const) {
      const { title, why } = slipWords(slip, "us");
      expect(title.length).toBeGreaterThan(10);
      expect(why).not.toMatch(/%|enough|safe/);
    }
  });
});

describe("a trace thinned for drawing", () => {
  const anyTrace = fc
    .array(fc.integer({ min: 0, max: 140 }), { minLength: 1, maxLength: 400 })
    .map((kPas) => kPas.map((kPa, i) => ({ at: i * 1000, kPa })));
  test("keeps its lowest and highest, its order, and its limit", () =>
    fc.assert(
      fc.property(anyTrace, fc.integer({ min: 4, max: 100 }), (points, most) => {
        const thin = thinned(points, most);
        expect(thin.length).toBeLessThanOrEqual(Math.max(most + 2, 4));
        expect(Math.min(...thin.map((p) => p.kPa))).toBe(Math.min(...points.map((p) => p.kPa)));
        expect(Math.max(...thin.map((p) => p.kPa))).toBe(Math.max(...points.map((p) => p.kPa)));
        expect(thin.map((p) => p.at)).toEqual([...thin.map((p) => p.at)].sort((a, b) => a - b));
      }),
    ));
});

describe("a thermometer in the steam", () => {
  const vented = (tempC: number, minute = 16) =>
    runAt(
      plan,
      [
        event({ id: "1", type: "steam-steady" }),
        event({ id: "2", type: "reading", at: T0 + 8 * MIN, tempC, source: "P1" }),
      ],
      T0,
      T0 + Math.min(minute, 9) * MIN,
    );
  test("that agrees with the altitude says nothing", () =>
    expect(boilWords(vented(97.7), 701.04, "us")).toBeNull());
  test("that reads another height's boiling says so while it still costs nothing", () =>
    expect(boilWords(vented(92.8), 701.04, "us")).toMatch(
      /reads 199 °F in the steam, and at 2,300 ft it is 207\.\d °F: so it boils at about 7,100 ft/,
    ));
  test("with the weight on, or before the air is out, it is not asked", () => {
    const early = runAt(
      plan,
      [
        event({ id: "1", type: "steam-steady" }),
        event({ id: "2", type: "reading", at: T0 + MIN, tempC: 90 }),
      ],
      T0,
      T0 + 2 * MIN,
    );
    expect(boilWords(early, 701.04, "us")).toBeNull();
    expect(boilWords({ ...vented(92.8), phase: "pressurising" }, 701.04, "us")).toBeNull();
  });
});
