import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { AS_PUBLISHED, refusalFor, type ContainerKey } from "../schedule/index.ts";
import {
  INGREDIENTS,
  dishRow,
  ingredientKind,
  readIngredient,
  readIngredients,
  scaleDish,
  divideDish,
  jarOfDish,
  liquidOfDish,
  whyNotIn,
  type Dish,
  type Ingredient,
} from "./index.ts";

const of = (name: string, amount = 1): Ingredient => ({ name, amount, role: null });
const stew = [of("Boar, cubed", 3), of("Carrots", 0.8), of("Potatoes", 1), of("Broth", 2), of("Salt", 0)];

describe("what may not be canned is caught by its name", () => {
  // USDA 2015 from memory: Guide 1 and the introductions to Guides 4 and 5.
  test.each([
    ["Plain flour", "flour"],
    ["rice flour", "flour"],
    ["Egg noodles", "noodles"],
    ["long-grain rice", "rice"],
    ["pearl barley", "barley"],
    ["Sour cream", "dairy"],
    ["potato starch", "starch"],
    ["Bacon bits", "fatty"],
    ["boar jerky", "jerky"],
    ["2 eggs", "eggs"],
  ])("%s is refused as %s, with the reason and what to do instead", (name, key) => {
    const answer = dishRow("stew", [...stew, of(name, 0.1)]);
    expect(answer.product).toBeNull();
    expect(answer.refusals).toHaveLength(1);
    expect(answer.refusals[0]!.ingredient).toBe(stew.length);
    expect(answer.refusals[0]!.reason).toContain(refusalFor(key)!.reason);
    expect(answer.refusals[0]!.instead.length).toBeGreaterThan(0);
  });
  test("nobody can call flour a vegetable", () => {
    const answer = dishRow("stew", [...stew, { name: "Flour", amount: 0.1, role: "vegetable" }]);
    expect(answer.product).toBeNull();
  });
  test("eggplant and butternut are not eggs and butter; a green bean is not a dry one", () => {
    expect(ingredientKind("eggplant")?.key).not.toBe("egg");
    expect(ingredientKind("butternut squash")?.role).toBe("vegetable");
    expect(ingredientKind("green beans")?.role).toBe("vegetable");
    expect(ingredientKind("kidney beans")?.role).toBe("beans");
  });
  test("each of several is named, not the first alone", () =>
    expect(dishRow("stew", [...stew, of("flour", 0.1), of("cream", 0.2)]).refusals).toHaveLength(2));
  test("what is not known is asked about, and taken as what the cook says", () => {
    const odd = { name: "Skirret", amount: 0.5, role: null };
    expect(dishRow("stew", [...stew, odd]).refusals[0]!.reason).toContain("not known");
    expect(dishRow("stew", [...stew, { ...odd, role: "vegetable" }]).product).toBe("stewed-meat");
  });
  test("every refused ingredient falls under a refusal of the table", () => {
    for (const i of INGREDIENTS.filter((k) => k.role === "refused"))
      expect(refusalFor(i.refusal!)).toBeDefined();
  });
});

describe("the row that governs", () => {
  test("a stew takes the meat's, beans and meat the chili's, any fish the seafood soup's", () => {
    expect(dishRow("stew", stew).product).toBe("stewed-meat");
    expect(dishRow("chilli", [of("venison mince"), of("kidney beans"), of("tomato juice")]).product).toBe(
      "chile-con-carne",
    );
    expect(dishRow("soup", [of("carrots"), of("pike"), of("water")]).product).toBe("soup-seafood");
    expect(dishRow("broth", [of("broth", 3)]).product).toBe("broth");
  });
  test("fish is never stewed, and solids are never broth", () => {
    expect(dishRow("stew", [of("pike"), of("water")]).product).toBeNull();
    expect(dishRow("broth", [of("broth"), of("carrots")]).product).toBeNull();
    expect(dishRow("chilli", [of("venison"), of("tomato"), of("water")]).product).toBeNull();
  });
  test("packed dry it is refused", () => expect(dishRow("stew", [of("venison")]).product).toBeNull());
  // USDA 2015 Guide 4, from memory: mushrooms and peppers have rows for half-pints and pints only.
  test("a stew with mushrooms goes into pints, not quarts; chili has no quart at all", () => {
    const withMushrooms = dishRow("stew", [...stew, of("Mushrooms", 0.3)]);
    expect(whyNotIn(withMushrooms, "jar-pint", AS_PUBLISHED)).toBeNull();
    expect(whyNotIn(withMushrooms, "jar-quart", AS_PUBLISHED)).toContain("Mushrooms");
    expect(
      whyNotIn(dishRow("chilli", [of("venison"), of("beans"), of("water")]), "jar-quart", AS_PUBLISHED),
    ).toContain("no tested process");
    expect(whyNotIn(dishRow("stew", stew), "can-one-pound", AS_PUBLISHED)).toContain("cans");
  });
  // The rows of Guide 4 as remembered: none of those listed takes longer than meat in the same jar.
  test("no vegetable listed is slower than meat in a pint (75) or a quart (90)", () => {
    for (const { own } of INGREDIENTS)
      if (own) {
        expect(own.pint).toBeLessThanOrEqual(75);
        expect(own.quart ?? 0).toBeLessThanOrEqual(90);
      }
  });
});

describe("shared out between jars", () => {
  test("a soup is half liquid: what is missing is said", () => {
    const soup = [of("venison", 1), of("carrots", 1), of("water", 1.2)];
    const share = divideDish("soup", dishRow("soup", soup), "jar-pint", "regular");
    expect(share.addLiquidLitres).toBeCloseTo(0.8, 9);
    expect(share.solidsPart).toBeCloseTo(0.5, 9);
    // 4 liters by hand, at 437 ml a pint: nine jars and a rest.
    expect(share.jars).toBe(9);
  });
  test("jars and the rest make up the pot; every jar gets the same solids", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.constantFrom<Dish>("stew", "soup"),
        (meat, carrots, water, dish) => {
          const list = [of("boar", meat), of("carrots", carrots || 0.1), of("water", water)];
          const answer = dishRow(dish, list);
          const s = divideDish(dish, answer, "jar-pint", "wide");
          const litres = meat + (carrots || 0.1) + water + s.addLiquidLitres;
          expect(s.jars * s.litresEach + s.leftLitres).toBeCloseTo(litres, 6);
          expect(s.solidsKgEach + s.liquidLitresEach).toBeCloseTo(s.litresEach, 6);
          expect(s.leftLitres).toBeLessThan(s.litresEach + 1e-6);
        },
      ),
    ));
  test("scaled to seven quarts it fills seven quarts and leaves next to nothing", () => {
    const scaled = scaleDish("stew", stew, "jar-quart", "wide", 7);
    const share = divideDish("stew", dishRow("stew", scaled), "jar-quart", "wide");
    expect(share.jars + share.leftLitres / share.litresEach).toBeCloseTo(7, 2);
    expect(scaled[0]!.amount / scaled[1]!.amount).toBeCloseTo(3 / 0.8, 2);
  });
});

// Common practice, no source.
describe("crushed and diced tomatoes count half as solids, half as liquid", () => {
  const chilli = (tomatoes: string) =>
    dishRow("chilli", [of("venison", 2), of("kidney beans", 1), of(tomatoes, 2)]);
  test.each(["crushed tomatoes", "diced tomatoes", "tomatoes, chopped", "canned tomatoes"])("%s", (name) => {
    const answer = chilli(name);
    expect(answer.product).toBe("chile-con-carne");
    const share = divideDish("chilli", answer, "jar-pint", null);
    // 2 kg of meat, 1 of beans and half of 2 kg of tomatoes are solid; the other half is topped up to the 35 % it is covered with.
    expect(share.solidsPart).toBeCloseTo(4 / (4 + 0.35 * 4), 6);
    expect(liquidOfDish(answer)).toBe("tomato juice");
  });
  test("whole tomatoes are solids, and without any liquid the dish is refused", () =>
    expect(chilli("tomatoes").product).toBeNull());
  test("juice is liquid altogether", () => {
    const answer = chilli("tomato juice");
    expect(divideDish("chilli", answer, "jar-pint", null).solidsPart).toBeCloseTo(3 / 5, 6);
  });
});

describe("a recipe written by hand", () => {
  test.each([
    ["3 lb boar, cubed", "boar, cubed", 3 * 0.45359237],
    ["2 kg of carrots", "carrots", 2],
    ["500g potatoes", "potatoes", 0.5],
    ["1 1/2 lb venison mince", "venison mince", 1.5 * 0.45359237],
    ["2 qt broth", "broth", 2 * 0.946352946],
    ["salt", "salt", 0],
    ["2 eggs", "2 eggs", 0],
  ])("%s", (line, name, amount) => {
    const read = readIngredient(line, "us")!;
    expect(read.name).toBe(name);
    expect(read.amount).toBeCloseTo(amount, 3);
  });
  test("what an unknown thing is can be said behind it; empty lines are passed over", () => {
    expect(readIngredient("1 lb skirret (vegetable)", "us")).toMatchObject({
      name: "skirret",
      role: "vegetable",
    });
    expect(readIngredient("1 lb skirret (refused)", "us")!.role).toBeNull();
    expect(readIngredients("3 lb boar\n\n  \n2 qt water\n", "us")).toHaveLength(2);
  });
});

describe("what goes into one jar of a dish", () => {
  const jar = (dish: Dish, ingredients: Ingredient[], container: ContainerKey = "jar-pint") =>
    jarOfDish(dish, dishRow(dish, ingredients), container, "regular");
  const litres = (parts: readonly { amount: number }[]) => parts.reduce((s, p) => s + p.amount, 0);
  // 3 kg boar, 0.8 kg carrots, 1 kg potatoes, 2 l broth: 6.8 l, of which a jar's room is shared out in proportion.
  test("a stew by the recipe's share, meat first", () => {
    const one = jar("stew", stew);
    expect(one.solids.map((p) => p.name)).toEqual(["Boar, cubed", "Carrots", "Potatoes"]);
    for (const [i, kg] of [3, 0.8, 1].entries())
      expect(one.solids[i]!.amount).toBeCloseTo((kg / 6.8) * one.share.litresEach, 9);
    expect(one.liquids).toEqual([
      { name: "Broth", role: "liquid", amount: expect.closeTo((2 / 6.8) * one.share.litresEach, 9) },
    ]);
    expect(one.seasonings.map((p) => p.name)).toEqual(["Salt"]);
    expect(one.share.meatKgEach).toBeCloseTo(one.solids[0]!.amount, 9);
  });
  test("a soup short of liquid is told what to add, so that it is half liquid", () => {
    const one = jar("soup", [of("carrots", 1), of("venison", 2), of("broth", 1)]);
    expect(one.solids[0]!.name).toBe("venison");
    expect(one.liquids.map((p) => p.name)).toEqual(["broth", "Broth or water"]);
    expect(litres(one.liquids)).toBeCloseTo(litres(one.solids), 9);
    expect(one.liquids[1]!.amount).toBeCloseTo(2 * one.liquids[0]!.amount, 9);
  });
  test("what it is covered with is the most of its liquids", () => {
    const of2 = (...names: [string, number][]) =>
      liquidOfDish(dishRow("stew", [of("venison", 2), ...names.map(([n, a]) => of(n, a))]));
    expect(of2(["broth", 2], ["water", 1])).toBe("broth");
    expect(of2(["broth", 1], ["water", 2])).toBe("water");
    expect(of2(["beef stock", 1])).toBe("broth");
    expect(of2(["tomato juice", 3], ["broth", 1])).toBe("tomato juice");
    expect(liquidOfDish(dishRow("stew", []))).toBe("water");
  });
  test("whatever the recipe: its parts fill the jar's room, and a soup's solids never more than half of it", () =>
    fc.assert(
      fc.property(
        fc.constantFrom<Dish>("soup", "stew"),
        fc.array(fc.double({ min: 0.01, max: 20, noNaN: true }), { minLength: 3, maxLength: 3 }),
        fc.constantFrom<ContainerKey>("jar-half-pint", "jar-pint", "jar-quart"),
        (dish, [meat, carrots, water], container) => {
          const one = jar(dish, [of("venison", meat), of("carrots", carrots), of("water", water)], container);
          expect(litres(one.solids) + litres(one.liquids)).toBeCloseTo(one.share.litresEach, 6);
          if (dish === "soup")
            expect(litres(one.solids)).toBeLessThanOrEqual(one.share.litresEach / 2 + 1e-9);
          expect(litres(one.solids)).toBeCloseTo(one.share.solidsKgEach, 9);
        },
      ),
    ));
});

describe("things that are counted", () => {
  // Usual weights of a medium piece: common practice, no source.
  test.each([
    ["2 onions", "onions", 0.3, 2],
    ["1/2 onion", "onion", 0.075, 0.5],
    ["1 1/2 medium onions, chopped", "medium onions, chopped", 0.225, 1.5],
    ["½ onion", "onion", 0.075, 0.5],
    ["6 carrots", "carrots", 0.36, 6],
    ["3 stalks celery", "stalks celery", 0.12, 3],
    ["3 celery stalks", "celery stalks", 0.12, 3],
    ["4 large potatoes", "large potatoes", 0.68, 4],
    ["2 cloves of garlic", "cloves of garlic", 0.01, 2],
    ["1 bell pepper", "bell pepper", 0.15, 1],
    ["8 tomatoes", "tomatoes", 1, 8],
  ])("%s is weighed at the usual weight, and says so", (line, name, kg, pieces) => {
    expect(readIngredient(line, "us")).toEqual({ name, amount: expect.closeTo(kg, 9), role: null, pieces });
  });
  test.each([
    ["2 lb onions", 0.907184],
    ["1 tsp cloves", 0.00492892],
    ["2 bay leaves", 0],
    ["2 cans tomatoes", 0],
    ["2 tomato juice", 0],
    ["onions", 0],
    ["0 onions", 0],
  ])("%s is not counted in pieces", (line, amount) => {
    const read = readIngredient(line, "us")!;
    expect(read.pieces).toBeUndefined();
    expect(read.amount).toBeCloseTo(amount, 5);
  });
  test("a comma is a decimal sign where the household writes one", () => {
    const comma = { units: "metric", decimal: "comma" } as const;
    expect(readIngredient("1,5 onions", comma)!.amount).toBeCloseTo(0.225, 9);
  });
  test("what is counted goes into the row like what is weighed, and flour stays refused", () => {
    const read = readIngredients("2 lb boar\n2 onions\n5 cups broth\nsalt", "us");
    const answer = dishRow("stew", read);
    expect(answer.product).toBe("stewed-meat");
    expect(answer.each[1]).toMatchObject({ pieces: 2, role: "vegetable", amount: expect.closeTo(0.3, 9) });
    expect(dishRow("stew", [...read, ...readIngredients("2 tbsp flour", "us")]).product).toBeNull();
  });
});
