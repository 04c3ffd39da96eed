import { AS_PUBLISHED } from "../schedule/index.ts";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  divideDish,
  dishRow,
  readIngredient,
  readIngredients,
  readScale,
  scaleLine,
  scaleToJars,
  writeIngredient,
} from "./index.ts";
import type { Writing } from "../quantity/index.ts";

const US: Writing = { units: "us", decimal: "point" };

describe("how much to make", () => {
  test.each([
    ["½", { factor: 0.5 }],
    ["1/2", { factor: 0.5 }],
    ["2", { factor: 2 }],
    ["x 3", { factor: 3 }],
    ["1 1/2 times", { factor: 1.5 }],
    ["10 pints", { jars: 10, of: "pints" }],
    ["for 10 wide-mouth pints", { jars: 10, of: "wide-mouth pints" }],
    ["7 quarts", { jars: 7, of: "quarts" }],
  ])("%s", (text, means) => expect(readScale(text, US)).toEqual(means));
  test.each(["", "twice", "0", "0 pints", "400 pints", "2.5 pints", "-1", "1000", "pints"])(
    "%s is not a size",
    (text) => expect(readScale(text, US)).toBeNull(),
  );
  test("a comma where the household writes one", () =>
    expect(readScale("0,5", { units: "metric", decimal: "comma" })).toEqual({ factor: 0.5 }));
});

describe("a line of a recipe made larger or smaller", () => {
  test.each([
    ["2 onions", 0.5, "1 onion"],
    ["1 potato, peeled", 3, "3 potatoes, peeled"],
    ["1 onion", 0.5, "½ onion"],
    ["5 cups broth", 0.5, "2.5 cups broth"],
    ["1 tsp cloves", 0.5, "½ tsp cloves"],
    ["6 lb boar, cubed", 0.5, "3 lb boar, cubed"],
    ["1 lb skirret (vegetable)", 2, "2 lb skirret (vegetable)"],
    ["salt, thyme", 2, "salt, thyme"],
    ["", 2, ""],
  ])("%s × %d", (line, factor, scaled) => expect(scaleLine(line, factor, US)).toBe(scaled));

  test("reads back as that much, whatever it was written in, and never as nothing", () => {
    const line = fc.tuple(
      fc.integer({ min: 1, max: 400 }),
      fc.constantFrom("lb", "oz", "kg", "g", "cups", "qt", "tsp", "tbsp", "ml", "l"),
      fc.constantFrom("boar", "broth", "carrots", "cloves"),
    );
    const writing = fc.record({
      units: fc.constantFrom("us" as const, "metric" as const),
      decimal: fc.constantFrom("point" as const, "comma" as const),
    });
    fc.assert(
      fc.property(
        line,
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        writing,
        ([n, unit, name], factor, how) => {
          const written = `${n} ${unit} ${name}`;
          const before = readIngredient(written, how)!;
          const after = readIngredient(scaleLine(written, factor, how), how)!;
          expect(after.name).toBe(name);
          expect(after.dimension).toBe(before.dimension);
          const wanted = before.amount * factor;
          expect(after.amount).toBeGreaterThan(0);
          // A spoon is measured to its eighth, all else to a hundredth or better.
          const slack = Math.max(0.011 * wanted, before.dimension === "volume" ? 0.00062 : 0.00001);
          expect(Math.abs(after.amount - wanted)).toBeLessThanOrEqual(slack);
        },
      ),
      { numRuns: 400 },
    );
  });
});

test("an ingredient that was kept without its line reads back as that much, however little", () => {
  for (const [name, amount, role] of [
    ["cloves", 0.005, null],
    ["Boar, cubed", 2.7, null],
    ["broth", 2.8, null],
    ["skirret", 0.3, "vegetable"],
    ["salt", 0, null],
  ] as const)
    for (const how of [US, { units: "metric", decimal: "comma" }] as const) {
      const back = readIngredient(writeIngredient({ name, amount, role }, how), how)!;
      expect(back).toMatchObject({ name, role });
      expect(back.amount).toBeCloseTo(amount, 2);
      expect(back.amount > 0).toBe(amount > 0);
    }
});

test("a dish made to fill so many jars fills them, and hardly more", () => {
  const amounts = fc.tuple(
    fc.integer({ min: 1, max: 20 }),
    fc.integer({ min: 1, max: 12 }),
    fc.integer({ min: 1, max: 40 }),
  );
  const jar = fc.constantFrom("jar-pint" as const, "jar-half-pint" as const, "jar-quart" as const);
  fc.assert(
    fc.property(
      amounts,
      fc.integer({ min: 1, max: 60 }),
      jar,
      fc.constantFrom("stew" as const, "soup" as const),
      ([lb, onions, cups], jars, container, dish) => {
        const lines = [`${lb} lb venison`, `${onions} onions`, `${cups} cups broth`, "1 tsp cloves"];
        const scaled = scaleToJars(lines, dish, jars, { container, mouth: null }, US, AS_PUBLISHED);
        if (container === "jar-quart" && scaled === null) return;
        const answer = dishRow(dish, readIngredients(scaled!.join("\n"), US));
        const made = divideDish(dish, answer, container, null).jars;
        expect(made).toBeGreaterThanOrEqual(jars);
        expect(made).toBeLessThanOrEqual(jars + 1);
      },
    ),
  );
  expect(
    scaleToJars(["2 lb flour"], "stew", 4, { container: "jar-pint", mouth: null }, US, AS_PUBLISHED),
  ).toBeNull();
});
