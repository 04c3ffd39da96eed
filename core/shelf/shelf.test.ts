import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  OPENING_SIGNS,
  SIGNS,
  signsOf,
  bestBy,
  boilMinutes,
  forecast,
  freezerLitres,
  mealsOf,
  smooth,
  storageEvents,
  storageState,
} from "./index.ts";

test("best by a year after canning, the leap day included", () => {
  expect(bestBy(Date.UTC(2025, 10, 20))).toBe(Date.UTC(2026, 10, 20));
  expect(new Date(bestBy(Date.UTC(2028, 1, 29))).toISOString()).toBe("2029-03-01T00:00:00.000Z");
});
// USDA 2015, Guide 1, from memory: 10 minutes plus 1 for each 1,000 ft.
test.each([
  [-200, 10],
  [0, 10],
  [1000, 10],
  [1000.1, 11],
  [2000, 11],
  [2300, 12],
  [8000, 17],
])("at %d ft boil %d minutes", (ft, minutes) => expect(boilMinutes(ft)).toBe(minutes));

describe("what the household eats", () => {
  // NIST/SEMATECH e-Handbook 6.4.3.1, from memory: α = 0.1, S₂ = 71; squared errors 208.82 unrounded (208.94 as printed).
  const Y = [71, 70, 69, 68, 64, 65, 72, 78, 75, 75, 75, 70];
  test("the published worked example of exponential smoothing", () => {
    const s = smooth(Y, 0.1);
    const printed = [71, 70.9, 70.71, 70.44, 69.8, 69.32, 69.58, 70.43, 70.88, 71.29, 71.67];
    printed.forEach((v, i) => expect(Math.abs(s[i]! - v)).toBeLessThan(0.011));
    const squares = Y.slice(1).reduce((sum, y, i) => sum + (y - s[i]!) ** 2, 0);
    expect(squares).toBeCloseTo(208.82, 2);
  });
  test("is the closed form: every month weighs (1 − α) less than the one after it", () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 60, noNaN: true }), { minLength: 2, maxLength: 40 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (y, a) => {
          const n = y.length;
          const closed = y
            .slice(1)
            .reduce((sum, v, i) => sum + a * (1 - a) ** (n - 2 - i) * v, (1 - a) ** (n - 1) * y[0]!);
          expect(smooth(y, a).at(-1)).toBeCloseTo(closed, 8);
        },
      ),
    ));
  test("too little history is said, a steady household has no spread", () => {
    expect(forecast([3, 4, 3, 4, 3])).toBeNull();
    expect(forecast([4, 4, 4, 4, 4, 4])).toEqual({ perMonth: 4, low: 4, high: 4, months: 6 });
  });
  test("nine months of ten lie in the interval of a household that eats at random", () => {
    let seed = 11;
    const even = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    let inside = 0;
    for (let i = 0; i < 500; i++) {
      const months = Array.from({ length: 37 }, () => 20 + (even() + even() + even() + even() - 2) * 6);
      const f = forecast(months.slice(0, 36))!;
      if (months[36]! >= f.low && months[36]! <= f.high) inside++;
    }
    expect(inside / 500).toBeGreaterThan(0.85);
    expect(inside / 500).toBeLessThan(0.96);
  });
});

// Common practice, no source: a pint serves two, a quart four.
test("meals put up: six pints are six meals for two and three for four", () => {
  const six = [{ kind: "jar-pint" as const, count: 6 }];
  expect(mealsOf(six, 2)).toBe(6);
  expect(mealsOf(six, 4)).toBe(3);
  expect(
    mealsOf(
      [
        { kind: "jar-quart", count: 1 },
        { kind: "jar-half-pint", count: 1 },
      ],
      1,
    ),
  ).toBe(5);
  expect(() => mealsOf(six, 0)).toThrow(RangeError);
});
// By hand: 8 kg in parcels of 0.8 kg a litre is 10 liters.
test("freezer room that 8 kg of meat would take", () => expect(freezerLitres(8)).toBeCloseTo(10, 9));

describe("where it stands", () => {
  // USDA 2015, Guide 1, from memory: 50 to 70 °F, not above 95 °F; water with salt and meat freezes a little under 0 °C.
  test.each([
    [-4, "frozen"],
    [-1, "frozen"],
    [3, "cold"],
    [10, "good"],
    [21.1, "good"],
    [28, "warm"],
    [35, "hot"],
  ] as const)("%d °C is %s", (c, state) => expect(storageState(c)).toBe(state));
  test("a frost and a heat are told apart, with their worst, and the last goes on until a reading ends it", () => {
    const at = (hour: number) => hour * 3_600_000;
    const entries = [
      [0, 12],
      [1, -2],
      [2, -6],
      [3, 4],
      [4, 36],
      [5, -3],
    ].map(([h, tempC]) => ({ at: at(h!), tempC: tempC! }));
    expect(storageEvents([...entries].reverse())).toEqual([
      { kind: "frozen", from: at(1), to: at(3), until: at(3), worstC: -6 },
      { kind: "hot", from: at(4), to: at(5), until: at(5), worstC: 36 },
      { kind: "frozen", from: at(5), to: null, until: at(5 + 48), worstC: -3 },
    ]);
    // A frost in April says nothing of December, whenever somebody reads the thermometer again.
    const seldom = [
      { at: at(0), tempC: -4 },
      { at: at(24 * 240), tempC: 12 },
    ];
    expect(storageEvents(seldom)).toMatchObject([{ to: at(24 * 240), until: at(48) }]);
  });
});

test("every sign of spoilage is looked for once, those of the closed container first", () => {
  expect(SIGNS.map((s) => s.key)).toEqual([...OPENING_SIGNS]);
  const open = SIGNS.findIndex((s) => s.when === "open");
  expect(SIGNS.slice(open).every((s) => s.when === "open")).toBe(true);
  const said = (can: boolean) =>
    signsOf(can)
      .map((s) => `${s.sound} ${s.bad}`)
      .join(" ");
  expect(said(true)).not.toMatch(/\b(lid|rim)\b/i);
  expect(said(false)).not.toMatch(/\b(ends?|seams?)\b/i);
  expect(signsOf(true).map((s) => s.key)).toEqual(OPENING_SIGNS.filter((k) => k !== "lid-loose"));
});
