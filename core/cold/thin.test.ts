import fc from "fast-check";
import { expect, test } from "vitest";
import { thinned } from "./index.ts";

const anySeries = fc
  .array(fc.double({ min: -30, max: 60, noNaN: true }), { minLength: 1, maxLength: 3000 })
  .map((values) => values.map((v, i): [number, number] => [i * 60_000, v]));

test("a thinned series keeps its first and last, its lowest and highest, and its order", () =>
  fc.assert(
    fc.property(anySeries, fc.integer({ min: 6, max: 400 }), (points, most) => {
      const thin = thinned(points, most);
      expect(thin.length).toBeLessThanOrEqual(Math.min(points.length, most));
      expect(thin[0]).toEqual(points[0]);
      expect(thin.at(-1)).toEqual(points.at(-1));
      const values = (list: [number, number][]) => list.map((p) => p[1]);
      expect(Math.min(...values(thin))).toBe(Math.min(...values(points)));
      expect(Math.max(...values(thin))).toBe(Math.max(...values(points)));
      for (let i = 1; i < thin.length; i++) expect(thin[i]![0]).toBeGreaterThan(thin[i - 1]![0]);
    }),
  ));

test("a short one is left as it is, and too coarse a drawing is refused", () => {
  const short: [number, number][] = [
    [0, 1],
    [1, 2],
  ];
  expect(thinned(short, 6)).toEqual(short);
  expect(() => thinned(short, 5)).toThrow(RangeError);
});
