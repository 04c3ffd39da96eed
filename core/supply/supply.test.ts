import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { fireEstimate, takeFrom, type Box } from "./index.ts";

const box = (label: string, left: number, since: number): Box => ({ id: label, label, left, since });

describe("taken from boxes", () => {
  test("the oldest first, and the rest from the next", () =>
    expect(takeFrom([box("new", 12, 9), box("old", 5, 1)], 9)).toEqual({
      taken: [
        { box: box("old", 5, 1), count: 5 },
        { box: box("new", 12, 9), count: 4 },
      ],
      missing: 0,
    }));
  test("taken and missing are what was asked for, and no box gives more than it holds", () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 30 })),
        fc.integer({ min: 0, max: 90 }),
        (lefts, count) => {
          const { taken, missing } = takeFrom(
            lefts.map((n, i) => box(`${i}`, n, i)),
            count,
          );
          expect(taken.reduce((sum, t) => sum + t.count, 0) + missing).toBe(count);
          for (const t of taken) expect(t.count).toBeLessThanOrEqual(t.box.left);
        },
      ),
    ));
});

describe("fire and water of a run", () => {
  // By hand: 3,500 W, 15 min up, 14 min vent and come-up, 75 min at 0.3: 3.5·(29·60 + 75·60·0.3)/1000 = 10.8 MJ.
  test("a 12,000 BTU burner and pints of meat: 10.8 MJ, a quarter of a kilogram of gas", () => {
    const e = fireEstimate(3500, { heatUp: 15, vent: 14, process: 75 });
    expect(e.energyMJ).toBeCloseTo(10.815, 3);
    expect(e.gasKg).toBeCloseTo(0.235, 3);
    // (2.94 + 0.1·4.725) MJ × 0.45 / 2.22 MJ/kg
    expect(e.boiledLitres).toBeCloseTo(0.692, 3);
  });
  test("more time never takes less water or fuel", () =>
    fc.assert(
      fc.property(fc.integer({ min: 500, max: 15000 }), fc.integer({ min: 1, max: 200 }), (w, m) => {
        const a = fireEstimate(w, { heatUp: 15, vent: 14, process: m });
        const b = fireEstimate(w, { heatUp: 15, vent: 14, process: m + 10 });
        expect(b.energyMJ).toBeGreaterThan(a.energyMJ);
        expect(b.boiledLitres).toBeGreaterThan(a.boiledLitres);
      }),
    ));
  test("induction burns no gas, and no burner without power", () => {
    expect(fireEstimate(2000, { heatUp: 15, vent: 14, process: 75 }, true).gasKg).toBeNull();
    expect(() => fireEstimate(0, { heatUp: 1, vent: 1, process: 1 })).toThrow(RangeError);
  });
});
