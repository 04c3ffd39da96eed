import { describe, expect, test } from "vitest";
import { usualPieceKg } from "./piece.ts";
import type { Writing } from "../quantity/index.ts";
import { AS_PUBLISHED } from "../schedule/index.ts";
import {
  dishRow,
  divideDish,
  ingredientKind,
  jarOfDish,
  liquidOfDish,
  liquidPart,
  readIngredient,
  readIngredients,
  readScale,
  scaleDish,
  scaleLine,
  whyNotIn,
  writeIngredient,
  type Dish,
} from "./index.ts";

const US: Writing = { units: "us", decimal: "point" };
const METRIC: Writing = { units: "metric", decimal: "point" };
const row = (dish: Dish, ...lines: string[]) => dishRow(dish, readIngredients(lines.join("\n"), METRIC));
const LB = 0.45359237;

test("why a row governs, in words: what is so of this dish, and nothing else", () => {
  const why = (dish: Dish, ...lines: string[]) => row(dish, ...lines).why.slice(1);
  const meat = "The meat is the slowest part, so its own time governs all of it.";
  expect(row("stew", "1 kg venison", "1 l broth").why[0]).toBe("Processed as “Stewed meat and vegetables”.");
  expect(why("stew", "1 kg venison", "0.4 kg carrots", "1 l broth")).toEqual([meat]);
  expect(why("stew", "1 kg venison", "0.2 kg mushrooms", "1 l broth")).toEqual([
    meat,
    "mushrooms: Cultivated ones only; wild ones have no tested process.",
  ]);
  expect(why("soup", "1 kg venison", "2 l water", "thyme")).toEqual([
    expect.stringMatching(/^Season lightly/),
  ]);
  expect(why("soup", "1 kg pike", "1 kg carrots", "2 l water")).toEqual([
    expect.stringMatching(/^Any fish or shellfish/),
  ]);
  expect(why("broth", "2 l broth")).toEqual([expect.stringMatching(/^Clear broth only/)]);
  expect(why("chilli", "1 kg venison", "0.5 kg beans", "1 kg crushed tomatoes")).toEqual([
    expect.stringMatching(/^beans: Soak them fully/),
  ]);
  // A refused dish is told its reason, and nothing beside it.
  expect(row("stew", "1 kg venison", "1 l milk")).toMatchObject({ product: null, why: [] });
  expect(dishRow("stew", [])).toMatchObject({
    product: null,
    refusals: [
      {
        ingredient: null,
        reason: "Nothing is in it yet.",
        instead: ["Add what goes in."],
        amountMissing: true,
      },
    ],
  });
});

describe("what is refused of one ingredient", () => {
  test("said to be refused, without an amount, or of a stock of fish", () => {
    const refusals = (dish: Dish, ...lines: string[]) => row(dish, ...lines).refusals.map((r) => r.reason);
    expect(refusals("stew", "1 kg venison", "Carrots", "1 l broth")).toEqual(["How much carrots?"]);
    expect(refusals("stew", "1 kg venison", "thyme", "1 l broth")).toEqual([]);
    expect(refusals("broth", "2 l broth", "1 l fish stock")[0]).toMatch(/fish stock/);
    expect(refusals("broth", "2 l broth")).toEqual([]);
  });
});

describe("which container a dish goes into", () => {
  test("what may not be canned says why; without a reason it is said plainly", () => {
    const refused = row("stew", "1 kg venison", "1 l milk");
    expect(whyNotIn(refused, "jar-pint", AS_PUBLISHED)).toBe(refused.refusals[0]!.reason);
    expect(whyNotIn({ ...refused, refusals: [] }, "jar-pint", AS_PUBLISHED)).toBe("It may not be canned.");
    expect(whyNotIn(row("stew", "1 kg venison", "1 l broth"), "can-half-pound", AS_PUBLISHED)).toMatch(
      /in cans/,
    );
  });
  test("a size without a row is named with its dish", () => {
    const chilli = row("chilli", "1 kg venison", "0.5 kg beans", "1 kg crushed tomatoes");
    expect(whyNotIn(chilli, "jar-quart", AS_PUBLISHED)).toMatch(/chil.* in a quart/);
    expect(whyNotIn(chilli, "jar-pint", AS_PUBLISHED)).toBeNull();
  });
  // Mushrooms: pints only; corn, whole kernel: pints 55, quarts 85 minutes; lima beans 40 and 50. Source: USDA 2015, Guide 4, from memory.
  test("a vegetable of its own goes no longer and no larger than its own process", () => {
    const mushrooms = row("stew", "1 kg venison", "0.2 kg mushrooms", "1 l broth");
    expect(whyNotIn(mushrooms, "jar-quart", AS_PUBLISHED)).toMatch(/no tested process in a quart: use pints/);
    expect(whyNotIn(mushrooms, "jar-pint-and-half", AS_PUBLISHED)).toMatch(/use pints/);
    expect(whyNotIn(mushrooms, "jar-pint", AS_PUBLISHED)).toBeNull();
    // In a soup the soup's row covers it.
    expect(
      whyNotIn(row("soup", "1 kg venison", "0.2 kg mushrooms", "2 l broth"), "jar-quart", AS_PUBLISHED),
    ).toBeNull();
    const kind = mushrooms.each[1]!.kind!;
    const own = (pint: number) => ({
      ...mushrooms,
      each: [{ ...mushrooms.each[1]!, kind: { ...kind, own: { ...kind.own!, pint, quart: pint } } }],
    });
    expect(whyNotIn(own(75), "jar-pint", AS_PUBLISHED)).toBeNull();
    expect(whyNotIn(own(76), "jar-pint", AS_PUBLISHED)).toMatch(
      /76 minutes by itself, longer than the meat's 75/,
    );
  });
});

describe("a dish shared out, by hand", () => {
  test("crushed tomatoes are half liquid; what is counted is all there", () => {
    expect(liquidPart({ name: "crushed tomatoes", role: "vegetable" })).toBe(0.5);
    expect(liquidPart({ name: "tomatoes, diced", role: "vegetable" })).toBe(0.5);
    expect(liquidPart({ name: "tomatoes crushed", role: "vegetable" })).toBe(0.5);
    expect(liquidPart({ name: "canned plum tomatoes", role: "vegetable" })).toBe(0.5);
    expect(liquidPart({ name: "tomatoes", role: "vegetable" })).toBe(0);
    expect(liquidPart({ name: "crushed tomatoes", role: "seasoning" })).toBe(0);
    expect(liquidPart({ name: "crushed tomatoes", role: "refused" })).toBe(0);
    const chilli = row("chilli", "2 kg venison", "1 kg beans", "2 kg crushed tomatoes");
    const share = divideDish("chilli", chilli, "jar-pint", null);
    // 4 kg of solids, and at least 0.35 of them liquid: 1.4 l, of which 1 l is in the tomatoes.
    expect(share.addLiquidLitres).toBeCloseTo(0.4, 9);
    expect(share.solidsPart).toBeCloseTo(4 / 5.4, 9);
    expect(share.jars).toBe(Math.floor(5.4 / share.litresEach));
    expect(share.jars * share.litresEach + share.leftLitres).toBeCloseTo(5.4, 9);
  });
  test("a soup of fish is half liquid whatever it is called", () => {
    const seafood = row("soup", "1 kg pike", "1 kg carrots", "0.5 l water");
    expect(divideDish("soup", seafood, "jar-pint", null).addLiquidLitres).toBeCloseTo(1.5, 9);
    expect(divideDish("stew", seafood, "jar-pint", null).addLiquidLitres).toBeCloseTo(1.5, 9);
  });
  test("nothing at all is no dish", () => {
    const nothing = { ...row("stew", "1 kg venison", "1 l broth"), each: [] };
    expect(() => divideDish("stew", nothing, "jar-pint", null)).toThrow(RangeError);
  });
  test("a jar is topped up by name only where its pot lacks liquid", () => {
    const names = (...lines: string[]) =>
      jarOfDish("soup", row("soup", ...lines), "jar-pint", null).liquids.map((l) => l.name);
    expect(names("1 kg venison", "1 l broth")).toEqual(["broth"]);
    expect(names("1 kg venison", "0.5 l broth")).toEqual(["broth", "Broth or water"]);
    const refused = row("stew", "0.2 kg carrots", "1 kg venison", "1 l water", "salt");
    const jar = jarOfDish("stew", refused, "jar-pint", null);
    expect(jar.solids.map((s) => s.name)).toEqual(["venison", "carrots"]);
    expect(jar.seasonings.map((s) => [s.name, s.amount])).toEqual([["salt", 0]]);
  });
  test("it is covered with the most of its liquids", () => {
    const of = (...lines: string[]) => liquidOfDish(row("soup", "1 kg venison", ...lines));
    expect(of("2 l broth", "1 l water")).toBe("broth");
    expect(of("1 l broth", "2 l water")).toBe("water");
    expect(of("1 l broth", "1 l water")).toBe("broth");
    // Three kilograms of crushed tomatoes hold a litre and a half.
    expect(of("2 l broth", "3 kg crushed tomatoes")).toBe("broth");
    expect(of("1.4 l broth", "3 kg crushed tomatoes")).toBe("tomato juice");
    expect(liquidOfDish({ ...row("soup", "1 kg venison", "1 l broth"), each: [] })).toBe("water");
  });
  test("what may not be canned is not scaled", () => {
    const lines = readIngredients("1 kg venison\n1 l milk", METRIC);
    expect(scaleDish("stew", lines, "jar-pint", null, 10)).toEqual(lines);
  });
});

// Usual weights: common practice, no source.
describe("pieces", () => {
  test.each<[string, number | null]>([
    ["onion", 0.15],
    ["Onions, sliced", 0.15],
    ["large  onions", 0.15],
    ["fresh carrot", 0.06],
    ["carrots", 0.06],
    ["baby carrots", null],
    ["celery stalk", 0.04],
    ["celery stalks", 0.04],
    ["stalks of celery", 0.04],
    ["stalk celery", 0.04],
    ["ribs celery", 0.04],
    ["rib of celery", 0.04],
    ["celery rib", 0.04],
    ["celery ribs", 0.04],
    ["wild celery stalks", null],
    ["potato", 0.17],
    ["potatoes", 0.17],
    ["sweet potatoes", null],
    ["garlic clove", 0.005],
    ["garlic cloves", 0.005],
    ["clove garlic", 0.005],
    ["cloves of garlic", 0.005],
    ["black garlic cloves", null],
    ["bell pepper", 0.15],
    ["sweet peppers", 0.15],
    ["red bell pepper", null],
    ["tomato", 0.125],
    ["tomatoes", 0.125],
    ["tomato paste", null],
    ["onion powder", null],
    ["spring onions", null],
    ["small whole onions", null],
  ])("%s: %s kg", (name, kg) => expect(usualPieceKg(name)).toBe(kg));
});

describe("a line, read", () => {
  test.each([
    ["-2 lb boar", "boar", 2 * LB],
    ["•  2 lb boar", "boar", 2 * LB],
    ["* 2 lb of boar", "boar", 2 * LB],
    ["2 lb heart of palm", "heart of palm", 2 * LB],
    ["2  lb   boar", "boar", 2 * LB],
    ["2 lb - boar", "- boar", 2 * LB],
    ["1 1/2 lb boar shank", "boar shank", 1.5 * LB],
  ])("%s", (line, name, kg) => {
    const read = readIngredient(line, US)!;
    expect(read.name).toBe(name);
    expect(read.amount).toBeCloseTo(kg, 9);
  });
  test("what is said in brackets at the end is its role, and nothing else is", () => {
    expect(readIngredient("2 lb skirret (Vegetable) ", US)).toMatchObject({
      name: "skirret",
      role: "vegetable",
    });
    expect(readIngredient("2 lb skirret (vegetable) diced", US)).toMatchObject({ role: null });
    expect(readIngredient("2 lb skirret (refused)", US)).toMatchObject({ role: null });
    expect(readIngredient("2 lb skirret (12)", US)).toMatchObject({ role: null });
    expect(readIngredient("salt", US)).toMatchObject({ name: "salt", amount: 0, role: null });
  });
  test("numbers are the household's", () => {
    expect(readIngredient("1,5 onions", { units: "metric", decimal: "comma" })!.amount).toBeCloseTo(0.225, 9);
    expect(readIngredient("1.5 onions", "us")!.amount).toBeCloseTo(0.225, 9);
    expect(readIngredient("0 onions", US)).toMatchObject({ amount: 0 });
    expect(readIngredient("2", US)).toMatchObject({ name: "2", amount: 0 });
  });
  test("a name is found whatever stands round it", () => {
    expect(ingredientKind("CARROTS, diced")?.role).toBe("vegetable");
    expect(ingredientKind("fresh-cut carrots")?.role).toBe("vegetable");
    expect(ingredientKind("")).toBeNull();
  });
});

describe("how much of it to make", () => {
  const read = (text: string) => readScale(text, US);
  test.each<[string, ReturnType<typeof readScale>]>([
    [" ½ ", { factor: 0.5 }],
    ["x2", { factor: 2 }],
    ["×  2", { factor: 2 }],
    ["* 3", { factor: 3 }],
    ["TIMES 2", { factor: 2 }],
    ["2 times", { factor: 2 }],
    ["2x", { factor: 2 }],
    ["2 ×", { factor: 2 }],
    ["1 1/2", { factor: 1.5 }],
    ["0.05", { factor: 0.05 }],
    ["50", { factor: 50 }],
    ["0.04", null],
    ["51", null],
    ["for 10 pints", { jars: 10, of: "pints" }],
    ["make  12 quarts", { jars: 12, of: "quarts" }],
    ["1 pint", { jars: 1, of: "pint" }],
    ["200 pints", { jars: 200, of: "pints" }],
    ["201 pints", null],
    ["0 pints", null],
    ["2.5 pints", null],
    ["some for 10", null],
    ["pints", null],
    ["", null],
  ])("%s", (text, scale) => expect(read(text)).toEqual(scale));
});

describe("a line, written", () => {
  const write = (name: string, amount: number, writing = US, more = {}) =>
    writeIngredient({ name, amount, role: null, ...more }, writing);
  test.each([
    ["boar", 0.999, METRIC, "999 g boar"],
    ["boar", 1, METRIC, "1 kg boar"],
    ["boar", 1.2345, METRIC, "1.23 kg boar"],
    ["boar", 123.456, METRIC, "123.5 kg boar"],
    ["boar", 99.94, METRIC, "99.9 kg boar"],
    ["boar", 1.25, { units: "metric", decimal: "comma" } as Writing, "1,25 kg boar"],
    ["broth", 0.999, METRIC, "999 ml broth"],
    ["broth", 1, METRIC, "1 l broth"],
    ["boar", LB * 0.999, US, "16 oz boar"],
    ["boar", LB, US, "1 lb boar"],
    ["boar", LB * 2.5, US, "2.5 lb boar"],
    ["broth", 0.2365882365, US, "1 cups broth"],
    ["broth", 0.2365882365 / 4, US, "0.25 cups broth"],
    ["broth", 0.00492892159375 * 2, US, "2 tsp broth"],
    ["broth", 0.00492892159375 * 0.01, US, "⅛ tsp broth"],
    ["broth", 0.2365882365 * 8, US, "2 qt broth"],
    ["broth", 0.2365882365 * 7.9, US, "7.9 cups broth"],
  ])("%s %d", (name, amount, writing, text) => expect(write(name, amount, writing)).toBe(text));
  test("by weight or by volume: as it was measured, as it is called, as it was said", () => {
    expect(write("broth", 1, METRIC, { dimension: "mass" })).toBe("1 kg broth");
    expect(write("boar", 1, METRIC, { dimension: "volume" })).toBe("1 l boar");
    expect(write("verjus", 1, METRIC, { role: "liquid" })).toBe("1 l verjus (liquid)");
    expect(write("verjus", 1, METRIC)).toBe("1 kg verjus");
    expect(write("salt", 0)).toBe("salt");
    expect(write("thyme", 0, US, { role: "seasoning" })).toBe("thyme (seasoning)");
  });
  test.each([
    ["2 onions", 0.5, "1 onion"],
    ["1 onion", 0.01, "⅛ onion"],
    ["1 tomato", 2, "2 tomatoes"],
    ["2 potatoes", 0.5, "1 potato"],
    ["1 celery rib", 3, "3 celery ribs"],
    ["2 cloves garlic", 2, "4 cloves garlic"],
    [" salt ", 2, "salt"],
    ["2 onions (vegetable)", 2, "4 onions (vegetable)"],
  ])("%s times %d", (line, factor, text) => expect(scaleLine(line, factor, US)).toBe(text));
});
