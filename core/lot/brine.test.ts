import fc from "fast-check";
import { expect, test } from "vitest";
import { SATURATED_PERCENT, readBrine, whyNotBrine } from "./index.ts";

const US = { units: "us", decimal: "point" } as const;
const METRIC = { units: "metric", decimal: "comma" } as const;
const percent = (text: string, writing: typeof US | typeof METRIC = US) => {
  const read = readBrine(text, writing);
  return read.ok ? read.saltPercent : read.message;
};

// Worked by hand: 292 g of fine salt (public food composition tables, from memory) in 3.785 l of water.
test("a cup of fine salt in a gallon is 7.2 % by weight", () =>
  expect(percent("1 cup in 1 gal")).toBeCloseTo((100 * 0.292) / (0.292 + 3.785), 1));
// Worked by hand: 80 / 1080 and 453.6 / (453.6 + 3785).
test("salt by weight needs no guess of how it lies in the cup", () => {
  expect(percent("80 g in 1 l", METRIC)).toBeCloseTo(7.41, 2);
  expect(percent("1 lb in 1 gal")).toBeCloseTo(10.7, 1);
});
test("a percentage is taken as it is, by the household's own sign of decimals", () => {
  expect(percent("6 %")).toBe(6);
  expect(percent("3,5 %", METRIC)).toBe(3.5);
});
test("what cannot be is said, with an example", () => {
  expect(percent("60 %")).toMatch(/no more than 26 %/);
  expect(percent("0 %")).toMatch(/more than 0/);
  expect(percent("some salt")).toMatch(/like 1 cup in 1 gal/);
  expect(percent("3 bears in 1 gal")).toMatch(/How much salt/);
  expect(whyNotBrine({ saltPercent: 6, minutes: 0 })).toMatch(/Minutes/);
  expect(whyNotBrine({ saltPercent: 6, minutes: 60 * 24 * 9 })).toMatch(/3 days/);
});
test("more salt in the same water is never a weaker brine, and never more than water takes up", () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 340 }), fc.integer({ min: 1, max: 340 }), (a, b) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)].map((g) =>
        percent(`${g} g in 1 l`, METRIC),
      ) as number[];
      expect(more).toBeGreaterThanOrEqual(less!);
      expect(more).toBeLessThanOrEqual(SATURATED_PERCENT);
    }),
  );
});
