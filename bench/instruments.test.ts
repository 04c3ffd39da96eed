import { describe, expect, test } from "vitest";
import { doubtOf } from "#core/exhaust";
import { randomFrom } from "#core/random";
import { driftOf, GAUGE_STEP_MM } from "#core/seam";
import {
  HALF_POUND,
  SimulatedSealer,
  canReadings,
  centreC,
  heatingRateMinutes,
  juiceC,
  shownAs,
} from "./instruments";

describe("a simulated probe in an open can", () => {
  // By hand: a 43.65 mm, b 25.6 mm, α 0.084 cm²/min: 1/19.05 + 0.427/6.554 = 0.11764; 1.25 × 0.398/(0.084 × 0.11764) = 50.35.
  test("the heating rate is the finite cylinder's, slower for the half that stands out", () => {
    expect(heatingRateMinutes(HALF_POUND)).toBeCloseTo(50.35, 1);
  });
  test("it lags, then warms toward the bath and never past it; the juice runs ahead all the way", () => {
    expect(centreC(HALF_POUND, 0)).toBe(6);
    expect(centreC(HALF_POUND, 10)).toBe(6);
    for (let m = 1; m < 200; m++) {
      expect(centreC(HALF_POUND, m)).toBeGreaterThanOrEqual(centreC(HALF_POUND, m - 1));
      expect(centreC(HALF_POUND, m)).toBeLessThan(HALF_POUND.bathC);
      expect(juiceC(HALF_POUND, m)).toBeGreaterThan(centreC(HALF_POUND, m));
    }
    expect(centreC(HALF_POUND, 300)).toBeGreaterThan(96.9);
  });
  test("none of its readings is doubted, the first by when the can was filled", () => {
    const end = Date.UTC(2026, 10, 20, 9);
    const readings = canReadings(HALF_POUND, end, 64, 4);
    expect(readings.at(-1)!.tempC).toBeGreaterThan(76);
    readings.forEach((r, i) => {
      const at = Date.parse(r.at);
      const before = readings[i - 1];
      expect(
        doubtOf(
          { at, tempC: r.tempC, juiceC: r.juiceC },
          before ? { at: Date.parse(before.at), tempC: before.tempC } : null,
          "can-half-pound",
          end - 64 * 60_000,
          false,
        ),
      ).toBeNull();
    });
  });
});

describe("a simulated sealer", () => {
  test("holds when it holds, and is caught within a few cans once it drifts", () => {
    let caught = 0;
    let early = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const sealer = new SimulatedSealer(randomFrom(seed), 13, 0.03);
      const values = Array.from({ length: 20 }, () => sealer.close().thicknessMm);
      const { beyondAt } = driftOf(values, GAUGE_STEP_MM);
      if (beyondAt !== null && beyondAt < 12) early += 1;
      if (beyondAt !== null && beyondAt >= 12 && beyondAt <= 16) caught += 1;
    }
    // Of sixty sealers all but a few: an individuals chart on so few values now and then cries too soon.
    expect(early).toBeLessThanOrEqual(3);
    expect(caught).toBeGreaterThanOrEqual(55);
  });
  test("a gauge shows the nearest of its steps", () => expect(shownAs(1.2349, 0.01)).toBeCloseTo(1.23, 9));
});
