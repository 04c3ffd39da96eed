import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { newPot, advancePot, plausibleCanner, steamsSteadily } from "../canner/index.ts";
import { kPaFromPsi } from "../quantity/index.ts";
import { type RunEvent, type RunEventType, samplePlan } from "../run/index.ts";
import { cannerSteam } from "../steam/index.ts";
import {
  airLeft,
  intervalOf,
  courseOf,
  cannerHistory,
  centreLethality,
  drawDelivered,
  resampleHistory,
  perfectHistory,
  type Heated,
  type Kitchen,
  type Slip,
} from "./index.ts";

const T0 = Date.UTC(2026, 10, 20, 9);
const MIN = 60_000;
const ALTITUDE_M = 701.04;
const plan = samplePlan({ floorKPa: kPaFromPsi(12) });
const kitchen: Kitchen = { altitudeM: ALTITUDE_M, faceErrorKPa: 0, rockingKPa: null, coolMinutes: 45 };
const pint: Heated = {
  body: { radiusM: 0.0384, halfHeightM: 0.05, diffusivity: 1.9e-7, skinM: 0.0016 },
  startC: 10,
};

type Line = [minute: number, type: RunEventType, psi?: number];
const tell = (lines: Line[]): RunEvent[] =>
  lines.map(([m, type, psi], i) => ({
    id: `e${i}`,
    at: T0 + m * MIN,
    seq: i,
    type,
    ...(psi === undefined ? {} : { gaugeKPa: kPaFromPsi(psi) }),
  }));
const toPressure: Line[] = [
  [0, "heat-on"],
  [12, "steam-steady"],
  [22, "weight-on"],
  [27, "reading", 12],
];
const toEnd = (off: number): Line[] => [
  [off, "reading", 12],
  [off, "heat-off"],
  [off + 45, "pressure-zero"],
  [off + 46, "lock-down"],
  [off + 47, "weight-off"],
  [off + 57, "lid-off"],
];
const watch = (from: number, to: number, psi = 12): Line[] =>
  Array.from({ length: Math.floor((to - from) / 5) + 1 }, (_, i): Line => [from + i * 5, "reading", psi]);
const exact: Line[] = [...toPressure, ...watch(30, 100), ...toEnd(102)];
const late = T0 + 9e7;
const done = (lines: Line[], k = kitchen) => cannerHistory(plan, tell(lines), k, T0, late);
const perfect = (lines: Line[], slip?: Slip) =>
  perfectHistory(plan, kitchen, courseOf(plan, tell(lines), kitchen, T0, late), slip, kPaFromPsi(11));
const share = (lines: Line[], slip?: Slip) =>
  slip
    ? centreLethality(pint, perfect(lines, slip)) / centreLethality(pint, perfect(lines))
    : centreLethality(pint, done(lines)) / centreLethality(pint, perfect(lines));

describe("the canner's temperature from what was seen", () => {
  test("boils at the altitude while it vents, and holds the steam of its pressure", () => {
    const knots = done(exact);
    const at = (minute: number) => resampleHistory(knots, 60)[minute]!;
    expect(at(15)).toBeCloseTo(cannerSteam(ALTITUDE_M, 0).tempC, 1);
    expect(at(60)).toBeCloseTo(cannerSteam(ALTITUDE_M, kPaFromPsi(12)).tempC, 1);
    expect(at(125)).toBeLessThan(at(100));
  });
  test("a face that reads high is a cooler canner", () => {
    const high = done(exact, { ...kitchen, faceErrorKPa: kPaFromPsi(1) });
    expect(resampleHistory(high, 60)[60]!).toBeCloseTo(cannerSteam(ALTITUDE_M, kPaFromPsi(11)).tempC, 1);
  });
  test("air shut in leaves the steam below what the needle says, as Dalton does", () => {
    const early: Line[] = exact.map(([m, type, psi]) => [type === "weight-on" ? 12.5 : m, type, psi]);
    const air = airLeft(0.5 * MIN) * cannerSteam(ALTITUDE_M, 0).absoluteKPa;
    const whole = cannerSteam(ALTITUDE_M, kPaFromPsi(12));
    const expected = cannerSteam(ALTITUDE_M, kPaFromPsi(12), air / whole.absoluteKPa).tempC;
    expect(resampleHistory(done(early), 60)[60]!).toBeCloseTo(expected, 1);
    expect(whole.tempC - expected).toBeGreaterThan(3);
  });
  test("what the history takes for air left is never less than a simulated canner has", () => {
    const spec = plausibleCanner(21, 12, ALTITUDE_M);
    let p = newPot(spec);
    while (!steamsSteadily(p)) p = advancePot(spec, p, { flame: 1, top: "vent-open", gust: 0 }, 5);
    for (const minutes of [2, 5, 10]) {
      const vented = advancePot(spec, p, { flame: 1, top: "vent-open", gust: 0 }, minutes * 60);
      expect(airLeft(minutes * MIN)).toBeGreaterThanOrEqual(vented.airFraction);
    }
  });
  test("a gauge that was set aside says nothing of the heat", () => {
    const aside: RunEvent[] = [
      ...tell(exact),
      { id: "aside", at: T0 + 50 * MIN, seq: 500, type: "gauge-aside", source: "B" },
      { id: "wild", at: T0 + 60 * MIN, seq: 501, type: "reading", gaugeKPa: 10, source: "B" },
    ];
    expect(cannerHistory(plan, aside, kitchen, T0, late)).toEqual(done(exact));
  });
  test("nothing was lit, nothing was hot", () => expect(done([])).toEqual([]));
});

describe("against the same schedule done perfectly", () => {
  test("done perfectly it is all of it", () => expect(share(exact)).toBeCloseTo(1, 2));
  test("a pound over is more, and a restart more again", () => {
    const over: Line[] = [...toPressure, ...watch(30, 100, 13), ...toEnd(102)];
    expect(share(over)).toBeGreaterThan(1.05);
    const restarted: Line[] = [
      ...toPressure,
      ...watch(30, 60),
      [61, "reading", 10],
      [65, "reading", 12],
      ...watch(70, 138),
      ...toEnd(140),
    ];
    expect(share(restarted)).toBeGreaterThan(1.2);
  });
  test("cut short is less than its part of the time: the end is when the middle is hottest", () => {
    const short: Line[] = [...toPressure, ...watch(30, 60), ...toEnd(62)];
    expect(share(short)).toBeLessThan(35 / 75);
  });
  test.each<[Slip, number, number]>([
    ["drop", 0.6, 0.97],
    ["no-vent", 0, 0.5],
    ["sea-level", 0.6, 0.9],
    ["timer-at-vent", 0.3, 0.85],
  ])("the slip %s leaves between %d and %d of it", (slip, low, high) => {
    expect(share(exact, slip)).toBeGreaterThan(low);
    expect(share(exact, slip)).toBeLessThan(high);
  });
  test("more minutes at pressure never give less", () =>
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 70 }), (m) => {
        const until = (minutes: number): Line[] => [...toPressure, ...toEnd(27 + minutes)];
        expect(share(until(m + 5))).toBeGreaterThan(share(until(m)));
      }),
      { numRuns: 20 },
    ));
});

describe("draws of what is not known", () => {
  const comparison = { heated: pint, run: done(exact), perfect: perfect(exact) };
  test("shared out in any way they are the same draws", () => {
    const whole = drawDelivered(comparison, 0, 12);
    expect([...drawDelivered(comparison, 0, 5), ...drawDelivered(comparison, 5, 12)]).toEqual([...whole]);
  });
  test("the band of a perfect run lies about one, and holds nine tenths of its draws", () => {
    const draws = drawDelivered(comparison, 0, 200);
    const band = intervalOf(draws);
    expect(band.low).toBeLessThan(1);
    expect(band.high).toBeGreaterThan(1);
    const inside = [...draws].filter((d) => d >= band.low && d <= band.high).length;
    expect(Math.abs(inside / draws.length - 0.9)).toBeLessThan(0.03);
  });
});
