import fc from "fast-check";
import { expect, test } from "vitest";
import { bestBy, boilMinutes, eatingOrder } from "./index.ts";

test("best by a year after canning, the leap day included", () => {
  expect(bestBy(Date.UTC(2025, 10, 20))).toBe(Date.UTC(2026, 10, 20));
  expect(new Date(bestBy(Date.UTC(2028, 1, 29))).toISOString()).toBe("2029-03-01T00:00:00.000Z");
});
test("oldest is eaten first, for any shelf", () =>
  fc.assert(
    fc.property(
      fc.array(fc.record({ cannedAt: fc.integer({ min: 0, max: 2e12 }), code: fc.string() })),
      (shelf) => {
        const order = eatingOrder(shelf);
        for (let i = 1; i < order.length; i++)
          expect(order[i - 1]!.cannedAt).toBeLessThanOrEqual(order[i]!.cannedAt + 86_400_000);
        expect(order).toHaveLength(shelf.length);
      },
    ),
  ));
// USDA 2015, Guide 1, from memory: 10 minutes plus 1 for each 1,000 ft.
test.each([
  [-50, 10],
  [0, 10],
  [1, 11],
  [1000, 11],
  [2300, 13],
  [8000, 18],
])("at %d ft boil %d minutes", (ft, minutes) => expect(boilMinutes(ft)).toBe(minutes));
