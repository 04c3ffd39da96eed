import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { posterior, predict } from "./index.ts";

const belief = fc.record({
  mean: fc.double({ min: -5, max: 5, noNaN: true }),
  sd: fc.double({ min: 0.01, max: 2, noNaN: true }),
});
const cases = fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { maxLength: 12 });
const scatter = fc.double({ min: 0.05, max: 2, noNaN: true });

describe("the normal posterior", () => {
  // Worked by hand: prior 0.70 ± 0.10, scatter 0.10, cases 0.80 and 0.74: precisions 100 + 2 × 100, mean (70 + 154) / 300.
  test("of two cases as sharp as the prior is the mean of the three", () => {
    const p = posterior({ mean: 0.7, sd: 0.1 }, 0.1, [0.8, 0.74]);
    expect(p.mean).toBeCloseTo(2.24 / 3, 12);
    expect(p.sd).toBeCloseTo(0.1 / Math.sqrt(3), 12);
  });
  test("is the prior when nothing was seen", () => {
    const p = posterior({ mean: 0.7, sd: 0.1 }, 0.08, []);
    expect(p.mean).toBeCloseTo(0.7, 12);
    expect(p.sd).toBeCloseTo(0.1, 12);
  });
  test("agrees with Bayes’ rule done on a grid, which knows no closed form", () =>
    fc.assert(
      fc.property(belief, scatter, cases, (prior, s, xs) => {
        const p = posterior(prior, s, xs);
        const from = p.mean - 9 * p.sd;
        const step = (18 * p.sd) / 4000;
        const log = (m: number) =>
          -((m - prior.mean) ** 2) / (2 * prior.sd ** 2) -
          xs.reduce((sum, x) => sum + (x - m) ** 2 / (2 * s ** 2), 0);
        const top = log(p.mean);
        let mass = 0;
        let mean = 0;
        let square = 0;
        for (let i = 0; i <= 4000; i++) {
          const m = from + i * step;
          const w = Math.exp(log(m) - top);
          mass += w;
          mean += w * (m - p.mean);
          square += w * (m - p.mean) ** 2;
        }
        expect(mean / mass / p.sd).toBeCloseTo(0, 5);
        expect(Math.sqrt(square / mass) / p.sd).toBeCloseTo(1, 4);
      }),
      { numRuns: 200 },
    ));
  test("taken case by case is the same as taken at once", () =>
    fc.assert(
      fc.property(belief, scatter, cases, (prior, s, xs) => {
        const at = posterior(prior, s, xs);
        const by = xs.reduce((b, x) => posterior(b, s, [x]), prior);
        expect(by.mean).toBeCloseTo(at.mean, 9);
        expect(by.sd).toBeCloseTo(at.sd, 9);
      }),
    ));
  test("lies between the prior and the mean of the cases, and every case sharpens it", () =>
    fc.assert(
      fc.property(
        belief,
        scatter,
        cases.filter((c) => c.length > 0),
        (prior, s, xs) => {
          const p = posterior(prior, s, xs);
          const mean = xs.reduce((a, b) => a + b, 0) / xs.length;
          expect(p.mean).toBeGreaterThanOrEqual(Math.min(prior.mean, mean) - 1e-9);
          expect(p.mean).toBeLessThanOrEqual(Math.max(prior.mean, mean) + 1e-9);
          expect(p.sd).toBeLessThan(prior.sd);
        },
      ),
    ));
  test("a spread of nothing is refused", () => {
    expect(() => posterior({ mean: 0, sd: 0 }, 1, [])).toThrow(RangeError);
    expect(() => posterior({ mean: 0, sd: 1 }, 0, [])).toThrow(RangeError);
  });
});

describe("the 90 % interval of the next case", () => {
  // Tables of the normal distribution: 90 % lies within 1.645 standard deviations.
  test("is 1.645 spreads each way, the doubt and the scatter added as squares", () => {
    const e = predict({ mean: 0.7, sd: 0.03 }, 0.04, 2);
    expect(e.high - e.mean).toBeCloseTo(1.645 * 0.05, 4);
    expect(e.mean - e.low).toBeCloseTo(1.645 * 0.05, 4);
    expect(e.cases).toBe(2);
  });
});
