import fc from "fast-check";
import { expect, test } from "vitest";
import { countSizes } from "./index.ts";

// Worked by hand: 5 kg, one-pound cans of 0.45 kg, half-pound cans of 0.22 kg.
test("so many of each size as were asked for, and what is left", () => {
  const { counts, leftKg, missingKg } = countSizes(5, [
    { kgEach: 0.22, count: 6 },
    { kgEach: 0.45, count: 4 },
  ]);
  expect(counts).toEqual([6, 4]);
  expect(leftKg).toBeCloseTo(5 - 1.32 - 1.8, 9);
  expect(missingKg).toBe(0);
});

test("as many pints as it makes, the rest in half-pints", () => {
  expect(
    countSizes(4, [
      { kgEach: 0.45, count: null },
      { kgEach: 0.22, count: null },
    ]),
  ).toMatchObject({ counts: [8, 1] });
});

test("more than there is: says how much is missing", () => {
  const { counts, missingKg } = countSizes(1, [{ kgEach: 0.5, count: 3 }]);
  expect(counts).toEqual([3]);
  expect(missingKg).toBeCloseTo(0.5, 9);
});

test("no more than the canner takes", () => {
  const seven = (_: number, before: readonly number[]) => 7 - before.reduce((a, b) => a + b, 0);
  expect(countSizes(9, [{ kgEach: 0.45, count: null }], seven).counts).toEqual([7]);
});

test("nothing but whole, full containers, and no food appears or goes", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 60, noNaN: true }),
      fc.array(
        fc.record({
          kgEach: fc.double({ min: 0.1, max: 2, noNaN: true }),
          count: fc.option(fc.integer({ min: 1, max: 30 })),
        }),
        { minLength: 1, maxLength: 4 },
      ),
      (massKg, wanted) => {
        const { counts, leftKg, missingKg } = countSizes(massKg, wanted);
        const packed = counts.reduce((sum, n, i) => sum + n * wanted[i]!.kgEach, 0);
        expect(counts.every((n) => Number.isInteger(n) && n >= 0)).toBe(true);
        expect(packed + leftKg).toBeCloseTo(massKg + missingKg, 6);
        const open = wanted.filter((w) => w.count === null);
        // What is left fills none of the sizes that may take more.
        for (const w of open) expect(leftKg).toBeLessThan(w.kgEach + 1e-6);
      },
    ),
  );
});
