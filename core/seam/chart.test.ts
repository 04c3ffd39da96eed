import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { BASE_VALUES, GAUGE_STEP_MM, LEAST_VALUES, driftOf, individuals, movingRanges } from "./index.ts";

// NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.2, the worked flow-rate example; figures as remembered.
const FLOW = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];

describe("individuals chart", () => {
  test("the e-Handbook's example: mean 50.81, mean moving range 1.8778, limits 55.8041 and 45.8159", () => {
    const chart = individuals(FLOW);
    expect(chart.mean).toBeCloseTo(50.81, 9);
    expect(chart.meanRange).toBeCloseTo(1.8778, 4);
    expect(chart.high).toBeCloseTo(55.8041, 3);
    expect(chart.low).toBeCloseTo(45.8159, 3);
  });
  // Independent: the differences written out, 2.0 2.3 1.4 3.5 3.4 1.4 0.2 1.2 1.5, sum 16.9, a ninth of it; 3/1.128 = 2.65957.
  test("the same by arithmetic written out", () => {
    expect(movingRanges(FLOW).map((r) => Number(r.toFixed(6)))).toEqual([
      2, 2.3, 1.4, 3.5, 3.4, 1.4, 0.2, 1.2, 1.5,
    ]);
    const chart = individuals(FLOW);
    expect(chart.high).toBeCloseTo(508.1 / 10 + (2.6595744680851063 * 16.9) / 9, 9);
    expect(chart.rangeHigh).toBeCloseTo((3.267 * 16.9) / 9, 9);
  });
  test("shifting and stretching the values shifts and stretches the limits, and nothing else", () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 2, maxLength: 30 }),
        fc.double({ min: -100, max: 100, noNaN: true }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        (values, shift, scale) => {
          const a = individuals(values);
          const b = individuals(values.map((v) => v * scale + shift));
          expect(b.low).toBeCloseTo(a.low * scale + shift, 6);
          expect(b.high).toBeCloseTo(a.high * scale + shift, 6);
        },
      ),
    ));
  test("readings all alike have the reach of the gauge's last figure, not none", () => {
    const chart = individuals([1.2, 1.2, 1.2], GAUGE_STEP_MM);
    expect(chart.high - 1.2).toBeCloseTo((3 * 0.0127) / 1.128, 9);
  });
});

describe("drift", () => {
  const steady = [50, 51, 50, 49, 50, 51, 50, 49];
  test("too few values say nothing", () => {
    expect(driftOf(steady.slice(0, LEAST_VALUES - 1))).toMatchObject({ limits: null, beyondAt: null });
  });
  // By hand: eight steady values, mean 50, differences all 1 or 2 (1 1 1 1 1 1 1): MR̄ 1, limits 50 ± 2.66.
  test("a value beyond the limits of those before it is found, and which side it is on", () => {
    expect(driftOf([...steady, 52.6]).beyondAt).toBeNull();
    expect(driftOf([...steady, 52.7])).toMatchObject({ beyondAt: 8, side: "high" });
    expect(driftOf([...steady, 47.3])).toMatchObject({ beyondAt: 8, side: "low" });
  });
  test("an outlier does not widen the limits it is judged by", () => {
    expect(driftOf([50, 50.2, 49.9, 50.1, 50, 49.8, 60]).beyondAt).toBe(6);
  });
  test("eight on one side of the mean are a run; seven are not; one on the mean ends it", () => {
    const base = Array.from({ length: BASE_VALUES }, (_, i) => 50 + (i % 2 ? 1 : -1));
    const after = (n: number, v: number) => driftOf([...base, ...Array<number>(n).fill(v)]);
    // the base ends above the mean itself, so six more make seven
    expect(after(6, 50.5).run).toBeNull();
    expect(after(7, 50.5).run).toEqual({ length: 8, side: "high" });
    expect(after(8, 49.5).run).toEqual({ length: 8, side: "low" });
    expect(driftOf([...base, ...Array<number>(9).fill(50.5), 50]).run).toBeNull();
  });
  test("a slow drift is caught at last, since the limits stand on the first twenty", () => {
    const slow = Array.from({ length: 80 }, (_, i) => 50 + (i % 2 ? 0.5 : -0.5) + Math.max(0, i - 20) * 0.1);
    const drift = driftOf(slow);
    expect(drift.side).toBe("high");
    expect(drift.base).toBe(BASE_VALUES);
  });
});
