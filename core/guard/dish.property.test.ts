import fc from "fast-check";
import { expect, test } from "vitest";
import { dishEstimate, usableMl } from "../pack/index.ts";
import {
  DISHES,
  INGREDIENTS,
  dishRow,
  divideDish,
  jarOfDish,
  liquidPart,
  whyNotIn,
} from "../recipe/index.ts";
import { AS_PUBLISHED, rowOf, scheduledProcess, shapeOf, type ContainerKey } from "../schedule/index.ts";
import { whyNotPack, type FoodOfLot, type PackToFill } from "./index.ts";

const ALL = 1_000;

const name = fc.constantFrom(...INGREDIENTS.filter((i) => i.role !== "refused").flatMap((i) => i.names));
const anyDish = fc.record({
  dish: fc.constantFrom(...DISHES),
  parts: fc.uniqueArray(fc.record({ name, grams: fc.integer({ min: 5, max: 5_000 }) }), {
    minLength: 2,
    maxLength: 9,
    selector: (p) => p.name,
  }),
});
const JARS = ["jar-half-pint", "jar-pint", "jar-quart"] as const;

/** The lot its meat comes from: fish for a seafood soup. */
const lotFor = (fish: boolean): FoodOfLot => ({
  code: "AB3",
  group: fish ? "fish" : "red-meat",
  form: fish ? "sections" : "pieces",
  treatments: [],
});

function asked(
  container: ContainerKey,
  product: PackToFill["product"],
  each: number,
  meatKgEach: number,
): PackToFill {
  const process = scheduledProcess({
    product,
    pack: "hot",
    container,
    gauge: "weighted",
    altitudeM: 0,
    rows: AS_PUBLISHED,
  });
  if (process.outcome === "none") throw new Error(process.reason);
  return {
    product,
    method: "hot",
    container,
    mouth: "regular",
    count: 1,
    massKg: each,
    liquid: "water",
    saltTspEach: 0,
    additions: null,
    dish: { name: "Supper", product, meatKgEach },
    process,
    confirmed: process.conditions.map((c) => c.key),
    sure: false,
  };
}

test("whatever the recipe, the bench offers a fill that its row covers, and none beyond it", () => {
  let offered = 0;
  let refused = 0;
  fc.assert(
    fc.property(anyDish, fc.constantFrom(...JARS), ({ dish, parts }, container) => {
      const answer = dishRow(
        dish,
        parts.map((p) => ({ name: p.name, amount: p.grams / 1000, role: null })),
      );
      if (!answer.product || whyNotIn(answer, container, AS_PUBLISHED) !== null) {
        refused++;
        return;
      }
      const { product } = answer;
      const share = divideDish(dish, answer, container, "regular");
      const jar = jarOfDish(dish, answer, container, "regular");
      // What goes into one jar is what the jar has room for below its headspace, and a soup is half liquid at least.
      const room = usableMl(shapeOf(container, "regular"), rowOf(product).headspaceIn) / 1000;
      const solid = jar.solids.reduce((kg, i) => kg + i.amount * (1 - liquidPart(i)), 0);
      const all = [...jar.solids, ...jar.liquids].reduce((sum, i) => sum + i.amount, 0);
      expect(all).toBeCloseTo(room, 6);
      expect(solid / room).toBeLessThanOrEqual(product.startsWith("soup") ? 0.5 + 1e-9 : 1 / 1.35 + 1e-9);
      if (!(share.meatKgEach > 0.03)) return;
      const home = { writing: { units: "us", decimal: "point" }, accepted: [product] } as const;
      const lot = lotFor(answer.each.some((i) => i.role === "fish"));
      const fill = (kg: number) => whyNotPack(asked(container, product, kg, share.meatKgEach), lot, home);
      expect(fill(dishEstimate(share.meatKgEach).kgEach)).toBeNull();
      // A jar full of its meat is another food, by another row.
      const full = room * 1.06;
      if (full > 1.5 * share.meatKgEach) expect(fill(full)).toMatchObject({ field: "massKg", ask: false });
      offered++;
    }),
    { numRuns: Number(process.env.RECIPES ?? ALL) },
  );
  expect(refused).toBeGreaterThan(50);
  expect(offered).toBeGreaterThan(50);
});
