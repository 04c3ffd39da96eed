import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { contentsMostKg } from "../pack/index.ts";
import type { Filler } from "../run/index.ts";
import {
  AS_PUBLISHED,
  PRODUCTS,
  governingSchedule,
  scheduledProcess,
  shapeOf,
  type ContainerKey,
  type GoverningSchedule,
  type PackMethod,
  type ProductKey,
} from "../schedule/index.ts";
import {
  addedToFish,
  fillersAsPacks,
  isFishRow,
  judgeLoad,
  waitedTooLong,
  splitAdditions,
  whyNotAdded,
  whyNotPack,
  type CannerToLoad,
  type FoodOfLot,
  type PackToFill,
  type PackToLoad,
  whyNotExtra,
} from "./index.ts";

const WRITING = { units: "us", decimal: "point" } as const;
const LB = 0.45359237;

const process = (product: ProductKey, pack: PackMethod, container: ContainerKey) => {
  const answer = scheduledProcess({
    product,
    pack,
    container,
    gauge: "weighted",
    altitudeM: 0,
    rows: AS_PUBLISHED,
  });
  if (answer.outcome === "none") throw new Error(answer.reason);
  return answer;
};
const deer: FoodOfLot = { code: "AB3", group: "red-meat", form: "pieces", treatments: [] };
const trout: FoodOfLot = { code: "FS4", group: "fish", form: "sections", treatments: [] };

/** A pack of pints of raw venison that nothing is wrong with, with what differs. */
const pack = (over: Partial<PackToFill> = {}): PackToFill => {
  const made = { product: "red-meat-pieces", method: "raw", container: "jar-pint", ...over } as PackToFill;
  const usual = {
    mouth: "regular" as const,
    count: 4,
    massKg: 4 * 0.45,
    liquid: made.method === "hot" ? "water" : "none",
    saltTspEach: 0.5,
    additions: null,
    dish: null,
    process: process(made.product, made.method, made.container),
    confirmed: [],
    sure: false,
  };
  return { ...usual, ...made };
};
/** A dish by its recipe: 0.25 kg of meat a pint, as a soup has room for. */
const dishOf = (product: ProductKey, meatKgEach = 0.25) => ({ name: "Supper", product, meatKgEach });
const why = (over: Partial<PackToFill> = {}, lot = deer, accepted: ProductKey[] = []) =>
  whyNotPack(pack(over), lot, { writing: WRITING, accepted });

describe("a pack", () => {
  test("as everybody packs it goes through", () => {
    expect(why()).toBeNull();
    expect(why({ method: "hot" })).toBeNull();
    expect(why({ product: "fish" }, trout)).toBeNull();
    expect(why({ massKg: null })).toBeNull();
  });
  test.each([0, -1, 1.5, 201, NaN])("%d containers are refused", (count) =>
    expect(why({ count })?.field).toBe("count"),
  );
  test("1 and 200 containers are not", () => {
    expect(why({ count: 1, massKg: 0.45 })).toBeNull();
    expect(why({ count: 200, massKg: 90 })).toBeNull();
  });

  describe("the row must be for the food", () => {
    test.each<[ProductKey, FoodOfLot]>([
      ["fish", deer],
      ["broth", deer],
      ["poultry-rabbit-boneless", deer],
      ["red-meat-pieces", trout],
      ["tuna", trout],
      ["fish", { ...trout, form: "smoked" }],
    ])("%s is refused", (product, lot) => {
      const method = product === "broth" ? "hot" : "raw";
      expect(why({ product, method }, lot)).toMatchObject({ field: "product", ask: false });
    });
    test.each<ProductKey>(["soup", "chile-con-carne", "stewed-meat"])("%s wants its recipe", (product) => {
      const dish = { product, method: "hot", massKg: 1 } as const;
      expect(why(dish, deer, ["stewed-meat"])).toMatchObject({
        field: "product",
        message: expect.stringMatching(/mixed dish/),
      });
      expect(why({ ...dish, dish: dishOf(product) }, deer, ["stewed-meat"])).toBeNull();
      expect(why({ ...dish, dish: dishOf("soup-seafood") }, deer, ["stewed-meat"])?.field).toBe("product");
    });
    test("a recipe for another row does not go by the plain one", () =>
      expect(why({ dish: dishOf("soup") })).toMatchObject({
        field: "product",
        message: expect.stringMatching(/Soup/),
      }));
  });

  test("fish makes a dish the seafood row; birds go into a stew; smoked fish, roasts and bones into none", () => {
    const dish = (product: ProductKey, lot: FoodOfLot) =>
      why({ product, method: "hot", massKg: 1, dish: dishOf(product) }, lot, ["stewed-meat"])?.field ?? null;
    expect(dish("soup", trout)).toBe("product");
    expect(dish("stewed-meat", { ...trout, group: "tuna" })).toBe("product");
    expect(dish("soup-seafood", trout)).toBeNull();
    expect(dish("soup-seafood", deer)).toBeNull();
    expect(dish("stewed-meat", { ...deer, group: "bird-rabbit" })).toBeNull();
    for (const form of ["smoked", "roast", "bones"] as const)
      expect(dish("soup-seafood", { ...deer, form })).toBe("product");
  });

  // USDA 2015, Guide 5, from memory: its rows are for muscle meat; there is none for organs.
  test("organs, and what else may not be canned, are refused by the name of the part", () => {
    for (const part of ["Liver", "hearts and kidneys", "Tongue", "Roe", "bacon", "Sweetbreads"])
      expect(why({}, { ...deer, part })?.field, part).toBe("product");
    expect(why({}, { ...deer, part: "Liver" })?.message).toMatch(/Liver.*muscle meat/);
    for (const part of ["Shoulder", "Hind leg", "Bellies", "heartside loin", "", undefined])
      expect(why({}, { ...deer, part }), part).toBeNull();
    const giblets = { ...deer, form: "broth", part: "Hearts" } as const;
    expect(why({ product: "broth", method: "hot", liquid: "none" }, giblets)).toBeNull();
  });
  test("cooked food is a hot pack", () => {
    const cooked = { ...deer, treatments: ["cook"] } as const;
    expect(why({}, cooked)).toMatchObject({ field: "method", message: expect.stringMatching(/cooked/) });
    expect(why({ method: "hot" }, cooked)).toBeNull();
    expect(why({}, { ...deer, treatments: ["trim", "brine"] })).toBeNull();
  });

  // USDA 2015, Guide 5, from memory: hot packs of meat, poultry and fish are covered with hot liquid.
  test("a hot pack has liquid; broth is its own", () => {
    for (const [product, lot] of [
      ["red-meat-pieces", deer],
      ["red-meat-ground", { ...deer, form: "ground" }],
      ["poultry-rabbit-boneless", { ...deer, group: "bird-rabbit" }],
      ["poultry-rabbit-bone-in", { ...deer, group: "bird-rabbit", form: "bone-in" }],
      ["tuna", { ...trout, group: "tuna" }],
    ] as const) {
      expect(why({ product, method: "hot", liquid: "none" }, lot), product).toMatchObject({
        field: "liquid",
      });
      for (const liquid of ["water", "broth", "tomato juice"])
        expect(
          why({ product, method: "hot", liquid, broth: { from: "bought", name: "Beef broth" } }, lot),
          product,
        ).toBeNull();
    }
    expect(
      why(
        {
          product: "can-game",
          method: "hot",
          container: "can-half-pound",
          mouth: null,
          liquid: "none",
          massKg: 0.8,
        },
        deer,
        ["can-game"],
      ),
    ).toMatchObject({ field: "liquid" });
    expect(why({ product: "broth", method: "hot", liquid: "none" }, { ...deer, form: "broth" })).toBeNull();
    expect(why({ liquid: "milk" })?.field).toBe("liquid");
    expect(why({ liquid: "none" })).toBeNull();
  });

  test("broth that covers food is known: from a lot that holds enough, or bought, by its name", () => {
    const hot = { method: "hot", liquid: "broth" } as const;
    const lot = { from: "lot", code: "KKK-K", form: "broth", ofFish: false, neededKg: 2, leftKg: 2 } as const;
    const at = (broth: PackToFill["broth"]) => why({ ...hot, broth });
    expect(at(null)).toMatchObject({ field: "broth", ask: false });
    expect(why(hot)).toMatchObject({ field: "broth" });
    expect(at(lot)).toBeNull();
    expect(at({ ...lot, leftKg: 1.9 })?.message).toMatch(/holds .* and these take about/);
    expect(at({ ...lot, form: "bones" })?.message).toBe("Lot KKK-K is no broth.");
    expect(at({ from: "bought", name: "Beef stock from a cube" })).toBeNull();
    // Thickened with cream or flour it would heat too slowly, whatever it is called.
    for (const name of ["cream", "flour", "noodles"])
      expect(at({ from: "bought", name }), name).toMatchObject({ field: "broth", ask: false });
    // Fish in it takes the longer time of fish.
    expect(at({ ...lot, ofFish: true })?.message).toMatch(/^Fish stock/);
    expect(at({ from: "bought", name: "Shrimp stock" })).toMatchObject({ field: "broth", ask: false });
    expect(
      why(
        { product: "tuna", method: "hot", liquid: "broth", broth: { ...lot, ofFish: true } },
        { ...trout, group: "tuna" },
      ),
    ).toBeNull();
    // The broth row is for meat and poultry stock.
    for (const form of ["broth", "bones"] as const)
      expect(why({ product: "broth", method: "hot", liquid: "none" }, { ...trout, form })).toMatchObject({
        field: "product",
        ask: false,
      });
    // Broth that is canned by itself is covered with nothing.
    expect(why({ product: "broth", method: "hot", liquid: "broth" }, { ...deer, form: "broth" })).toBeNull();
  });

  // USDA 2015 from memory: up to 1 tsp a pint, 2 a quart.
  test("a can has a new end; a jar's lid that was used before is a deviation", () => {
    const cans = { product: "can-game", method: "hot", container: "can-one-pound", liquid: "water" } as const;
    const home = { writing: WRITING, accepted: ["can-game" as const] };
    const of = (over: Partial<PackToFill>) => whyNotPack(pack({ massKg: null, ...over }), deer, home);
    expect(of({ ...cans, reusedLids: true })).toMatchObject({ field: "reusedLids", ask: false });
    expect(of(cans)).toBeNull();
    expect(of({ reusedLids: true })).toBeNull();
  });
  test("salt stays flavor", () => {
    expect(why({ saltTspEach: 1 })).toBeNull();
    for (const saltTspEach of [1.01, -0.1, NaN]) expect(why({ saltTspEach })?.field).toBe("salt");
    expect(why({ container: "jar-quart", massKg: 3.6, saltTspEach: 2 })).toBeNull();
  });

  test("a row of common practice wants acceptance, each its own", () => {
    const cans = {
      product: "can-game",
      method: "hot",
      container: "can-half-pound",
      mouth: null,
      massKg: 0.8,
    } as const;
    expect(why(cans)).toMatchObject({
      field: "accept",
      message: expect.stringMatching(/no published source/),
    });
    expect(why(cans, deer, ["can-fish"])?.field).toBe("accept");
    expect(why(cans, deer, ["can-game"])).toBeNull();
  });

  test("a condition asked at packing must be confirmed", () => {
    // No animal here gives crab; its process stands in for a row with such a condition.
    const crab = { process: process("crab", "hot", "jar-pint") };
    expect(why(crab)).toMatchObject({ field: "met", message: expect.stringMatching(/acid/) });
    expect(why({ ...crab, confirmed: ["clams-blanch"] })?.field).toBe("met");
    expect(why({ ...crab, confirmed: ["crab-acid"] })).toBeNull();
  });

  describe("weights", () => {
    test("300 lb do not go into two pints, sure or not", () => {
      for (const sure of [false, true])
        expect(why({ count: 2, massKg: 300 * LB, sure })).toMatchObject({ field: "massKg", ask: false });
    });
    test("nothing, or less, is no weight", () => {
      for (const massKg of [0, -1, NaN])
        expect(why({ massKg })).toMatchObject({ field: "massKg", ask: false });
    });
    test("little and much are asked about once", () => {
      for (const [each, says] of [
        [0.3, /part-filled/i],
        [0.6, /headspace/],
      ] as const) {
        expect(why({ massKg: 4 * each })).toMatchObject({ ask: true, message: expect.stringMatching(says) });
        expect(why({ massKg: 4 * each, sure: true })).toBeNull();
      }
    });
    test("a part-filled can is called one", () => {
      const can = { product: "can-fish", container: "can-half-pound", mouth: null, count: 1 } as const;
      expect(why({ ...can, massKg: 0.08 }, trout, ["can-fish"])?.message).toMatch(/part-filled can is not/);
      expect(why({ massKg: 4 * 0.3 })?.message).toMatch(/part-filled jar is not/);
    });
    test("what just fits goes in", () => {
      const most = contentsMostKg("red-meat-pieces", "jar-pint", "regular") * 1.15;
      expect(why({ count: 1, massKg: most, sure: true })).toBeNull();
      expect(why({ count: 1, massKg: most + 0.001, sure: true })).not.toBeNull();
    });
    test("raw food that is cooked as it is packed may weigh more before than fits after", () => {
      expect(why({ method: "hot", massKg: 4 * 0.75, sure: true })).toBeNull();
      expect(why({ method: "raw", massKg: 4 * 0.75, sure: true })?.ask).toBe(false);
      // Broth is poured in as it is: nothing of it cooks down.
      expect(
        why({ product: "broth", method: "hot", massKg: 4 * 0.7, sure: true }, { ...deer, form: "broth" }),
      ).toMatchObject({ field: "massKg", ask: false });
    });
    test("a jar of meat under the soup's time is refused: half of a soup is liquid", () => {
      // A recipe that is all meat and water: the row's own half is what holds.
      const soup = { product: "soup", method: "hot", dish: dishOf("soup", 0.4) } as const;
      expect(why({ ...soup, massKg: 4 * 0.25, sure: true })).toBeNull();
      expect(why({ ...soup, massKg: 4 * 0.45, sure: true })).toMatchObject({ field: "massKg", ask: false });
      const chowder = { product: "soup-seafood", method: "hot", dish: dishOf("soup-seafood", 0.4) } as const;
      const of = (massKg: number) =>
        whyNotPack(pack({ ...chowder, massKg, sure: true }), trout, { writing: WRITING, accepted: [] });
      expect(of(4 * 0.25)).toBeNull();
      expect(of(4 * 0.45)).toMatchObject({ field: "massKg", ask: false });
    });
    test.each<ProductKey>(["stewed-meat", "chile-con-carne", "soup"])(
      "%s takes the meat its recipe has for a jar, and never a jar full of meat",
      (product) => {
        const of = (each: number, over: Partial<PackToFill> = {}) =>
          why({ product, method: "hot", dish: dishOf(product, 0.2), massKg: 4 * each, ...over }, deer, [
            "stewed-meat",
          ]);
        expect(of(0.2)).toBeNull();
        expect(of(0.24)).toBeNull();
        // Nobody may look again and say that it is so: the row does not cover it.
        for (const sure of [false, true])
          expect(of(0.3, { sure })).toMatchObject({ field: "massKg", ask: false });
        expect(of(0.45)!.message).toMatch(/Supper.* 7 oz .*1 lb.*Red meat and game, pieces/);
        // Less meat than the recipe has is odd, and no fault.
        expect(of(0.1)).toMatchObject({ field: "massKg", ask: true });
        expect(of(0.1, { sure: true })).toBeNull();
      },
    );
    test("a dish is covered with its liquid, and a lot goes only into a dish that has its meat", () => {
      const stew = { product: "stewed-meat", method: "hot", massKg: 1, dish: dishOf("stewed-meat") } as const;
      const of = (over: Partial<PackToFill>) => why({ ...stew, ...over }, deer, ["stewed-meat"]);
      expect(of({ liquid: "none" })).toMatchObject({ field: "liquid", ask: false });
      expect(of({ dish: dishOf("stewed-meat", 0) })).toMatchObject({ field: "product", ask: false });
      expect(of({ dish: dishOf("stewed-meat", 0), massKg: null })?.field).toBe("product");
    });
    test("whatever the container: never heavier than its room of solid meat, raw", () =>
      fc.assert(
        fc.property(
          fc.constantFrom<ContainerKey>("jar-quarter-pint", "jar-half-pint", "jar-pint", "jar-quart"),
          fc.integer({ min: 1, max: 200 }),
          fc.double({ min: 0.001, max: 200, noNaN: true }),
          (container, count, massKg) => {
            const said = why({ container, count, massKg, saltTspEach: 0, sure: true });
            // A small jar holds half as much again to the brim as it is sold by; meat is a tenth heavier than water.
            const room = (shapeOf(container, "regular").nominalMl / 1000) * 1.5 * 1.1;
            if (said === null) expect(massKg / count).toBeLessThan(room);
            else
              expect(massKg / count).toBeGreaterThan(contentsMostKg("red-meat-pieces", container, "regular"));
          },
        ),
      ));
    test("this household's own packs decide what is odd", () => {
      const expected = { kgEach: 0.3, lowKg: 0.25, highKg: 0.35, source: "these packs", packs: 9 } as const;
      const home = { writing: WRITING, accepted: [], expected };
      expect(whyNotPack(pack({ massKg: 1.2 }), deer, home)).toBeNull();
      expect(whyNotPack(pack({ massKg: 1.8 }), deer, home)?.ask).toBe(true);
    });
  });
});

// The list of what may not be canned, USDA 2015 from memory; amounts: common practice, no source.
describe("what is written as seasoning", () => {
  const added = (text: string, fish = false, container: ContainerKey = "jar-pint") =>
    whyNotAdded(text, WRITING, container, fish);
  test("goes through a dish's refusals, each part of the line", () => {
    for (const text of [
      "2 tbsp flour, 1/2 cup cream and noodles",
      "bay; 1 cup rice",
      "pepper\nmilk",
      "salt + corn-starch",
      "thyme & butter",
      "rice flour",
      "a little roux",
      "Eggs",
      "garlic with cream cheese",
    ])
      expect(added(text), text).toMatchObject({ ask: false });
    expect(added("2 tbsp flour")!.message).toMatch(/Flour: .*slowly.*thicken when serving/);
  });
  // Fat and thickeners: the same list. Curing salt: common practice, no source.
  test("fat, thickeners by their trade's names and curing salt are refused, whatever somebody calls them", () => {
    for (const text of [
      "2 tbsp olive oil",
      "garlic in oil",
      "oil (seasoning)",
      "shortening",
      "1 tbsp beef dripping",
      "instant ClearJel",
      "filé powder",
      "okra",
    ])
      expect(added(text), text).toMatchObject({ ask: false });
    for (const text of ["1/4 tsp pink curing salt", "Prague powder", "nitrite (seasoning)", "saltpetre"])
      expect(added(text)?.message, text).toMatch(/by weight/);
    for (const text of ["peppercorns", "1 tsp pickling salt", "boiled garlic"])
      expect(added(text), text).toBeNull();
  });
  test("herbs and spices are taken, and nothing is nothing", () => {
    for (const text of [
      "",
      "   ",
      null,
      undefined,
      "bay, thyme and juniper",
      "½ tsp pepper",
      "1 clove garlic",
      "dill (seasoning)",
    ])
      expect(whyNotAdded(text, WRITING, "jar-pint", false), String(text)).toBeNull();
  });
  test("what is no seasoning is sent where it belongs", () => {
    expect(added("carrots")!.message).toMatch(/recipe/);
    expect(added("2 cups broth")!.message).toMatch(/liquid/);
    expect(added("zorble")!.message).toMatch(/zorble \(seasoning\)/);
    expect(added("zorble (seasoning)")).toBeNull();
    expect(added("flour (seasoning)"), "nobody can call flour a seasoning").not.toBeNull();
  });
  test("more than a tablespoon a pint is asked about, less in smaller jars", () => {
    expect(added("1 tbsp paprika")).toBeNull();
    expect(added("2 tbsp Paprika")).toMatchObject({
      ask: true,
      message: expect.stringMatching(/much paprika/),
    });
    expect(added("2 tbsp paprika", false, "jar-quart")).toBeNull();
    expect(added("1 tbsp paprika", true)).toBeNull();
    expect(added("1 tbsp paprika", false, "jar-half-pint")).toMatchObject({ ask: true });
    expect(why({ additions: "2 tbsp paprika" })).toMatchObject({ field: "additions", ask: true });
    expect(why({ additions: "2 tbsp paprika", sure: true })).toBeNull();
    expect(why({ additions: "2 tbsp flour", sure: true })).toMatchObject({ field: "additions", ask: false });
  });
  test("fish takes a tablespoon of ketchup and a teaspoon of vinegar a pint, not more", () => {
    expect(added("1 tbsp ketchup, 1 tsp vinegar", true)).toBeNull();
    expect(added("2 tsp vinegar", true)).toMatchObject({ ask: false });
    expect(added("2 tsp vinegar", false)).toBeNull();
    expect(added("4 tsp ketchup", true)).toMatchObject({ ask: false });
    expect(why({ product: "fish", additions: "2 tsp vinegar" }, trout)?.field).toBe("additions");
    expect(added("1 tsp vinegar", true, "jar-half-pint")?.message).toMatch(/At most 1 tsp vinegar in a pint/);
    expect(added("½ tsp vinegar", true, "jar-half-pint")).toBeNull();
    expect(added("2 tsp vinegar", true, "jar-quart")).toBeNull();
    expect(added("2 tbsp ketchup", true)?.message).toMatch(/At most 1 tbsp ketchup in a pint/);
    expect(added("1 tsp cider vinegar, 1 tsp white vinegar", true), "two kinds of one thing").toMatchObject({
      ask: false,
    });
    expect(addedToFish("1 tsp vinegar, bay and 1 tbsp Ketchup")).toEqual(["1 tsp vinegar", "1 tbsp Ketchup"]);
    expect(addedToFish(null)).toEqual([]);
  });
  test("a line is taken apart at its marks, not inside a number", () => {
    expect(splitAdditions("1,5 tsp salt, bay and thyme")).toEqual(["1,5 tsp salt", "bay", "thyme"]);
    expect(splitAdditions("brandy")).toEqual(["brandy"]);
    expect(splitAdditions("bay,, thyme;\n")).toEqual(["bay", "thyme"]);
    expect(added("- bay\n-")).toBeNull();
  });
  test("rows of fish and shellfish", () =>
    expect(PRODUCTS.filter(isFishRow)).toEqual(
      ["fish", "tuna", "fish-smoked", "clams", "crab", "oysters", "soup-seafood", "can-fish"].filter(
        (p) => p !== "soup-seafood",
      ),
    ));
});

describe("a load", () => {
  const NOW = Date.UTC(2026, 10, 20, 12);
  const MIN = 60_000;
  const canner: CannerToLoad = {
    name: "Big canner",
    measured: true,
    pot: { insideDiameterMm: 311, usableHeightMm: 262, racks: 2, rackHeightMm: 5, manual: { "jar-pint": 9 } },
  };
  const pints = (over: Partial<PackToLoad> = {}): PackToLoad => ({
    code: "PK1",
    method: "raw",
    container: "jar-pint",
    mouth: "regular",
    count: 9,
    filledAt: NOW,
    heatedAt: null,
    confirmed: [],
    ...over,
  });
  const governing = (
    packs: { product: ProductKey; pack: PackMethod; container: ContainerKey }[] = [
      { product: "red-meat-pieces", pack: "raw", container: "jar-pint" },
    ],
  ) =>
    governingSchedule(
      packs,
      { gauges: { dial: null, weightPiecesPsi: [5, 5, 5] }, quarts: 21 },
      0,
      NOW,
      AS_PUBLISHED,
    ) as GoverningSchedule;
  const judge = (
    packs: PackToLoad[],
    over: Partial<CannerToLoad> = {},
    g = governing(),
    confirmed: string[] = [],
    fillers: Filler[] = [],
  ) => judgeLoad(packs, { ...canner, ...over }, g, NOW, confirmed, fillers);

  test("as large as the manual allows goes in, one more does not", () => {
    expect(judge([pints()])).toEqual({ refused: null, toSign: [] });
    expect(judge([pints({ count: 10 })]).refused).toMatchObject({ field: "packIds" });
    expect(judge([pints({ count: 5 }), pints({ count: 5 })]).refused?.message).toMatch(
      /^10 containers do not fit/,
    );
    expect(judge([pints({ count: 10 })]).refused?.message).toBe(
      "10 containers do not fit in Big canner: it holds 9 pints. Take 1 out and run it as another load.",
    );
    const quarts = pints({ count: 8, container: "jar-quart", code: "PK2" });
    expect(judge([pints(), quarts]).refused?.message).toMatch(
      /^17 containers do not fit in Big canner: it holds 9 pints or 7 quarts\. Take some out and run them/,
    );
    expect(judge([pints({ count: 42 })], { measured: false }).refused?.message).toMatch(
      /it holds 9 pints\. Take 33 out and run them as another load\. .*only assumed/,
    );
    expect(judge([pints({ count: 42 })]).refused?.message).not.toMatch(/assumed/);
  });
  test("the maker's number decides where it is known for each size; otherwise the measures do", () => {
    const low = { ...canner.pot, usableHeightMm: 140 };
    expect(judge([pints({ count: 9 })], { pot: { ...low, manual: { "jar-pint": 9 } } }).refused).toBeNull();
    expect(judge([pints({ count: 18 })], { pot: { ...low, manual: { "jar-pint": 18 } } }).refused).toBeNull();
    expect(
      judge([pints({ count: 18 })], { pot: { ...low, manual: { "jar-quart": 7 } } }).refused,
    ).not.toBeNull();
    expect(judge([pints({ count: 9 })], { pot: { ...low, manual: {} } }).refused).toBeNull();
    expect(judge([pints({ count: 11 })], { pot: { ...low, manual: {} } }).refused).not.toBeNull();
    // Half of what it takes of each.
    const two = [
      pints({ count: 5 }),
      pints({ count: 4, container: "jar-quart", mouth: "wide", code: "PK2" }),
    ];
    expect(judge(two, { pot: { ...low, manual: { "jar-pint": 10, "jar-quart": 8 } } }).refused).toBeNull();
    expect(
      judge(two, { pot: { ...low, manual: { "jar-pint": 10, "jar-quart": 7 } } }).refused,
    ).not.toBeNull();
  });
  test("a size the maker says nothing of is measured, whatever else stands beside it", () => {
    const low = { ...canner.pot, usableHeightMm: 140, manual: { "jar-pint": 18 } };
    const half = pints({ count: 4, container: "jar-half-pint", code: "PK2" });
    expect(judge([pints({ count: 4 }), half], { pot: low }).refused).toBeNull();
    expect(judge([pints({ count: 18 }), half], { pot: low }).refused).not.toBeNull();
  });
  test("a mouth nobody named counts as the regular one", () =>
    expect(judge([pints({ mouth: null })]).refused).toBeNull());
  test("own conditions of the load must be confirmed, whoever confirmed them", () => {
    const fish = governing([{ product: "fish", pack: "raw", container: "jar-quart" }]);
    const quarts = pints({ container: "jar-quart", count: 5 });
    expect(judge([quarts], {}, fish).refused).toMatchObject({
      field: "met",
      message: expect.stringMatching(/3 quarts/),
    });
    expect(judge([quarts], {}, fish, ["fish-quart"]).refused).toBeNull();
    expect(judge([{ ...quarts, confirmed: ["fish-quart"] }], {}, fish).refused).toBeNull();
  });
  // USDA FSIS two-hour rule, from memory.
  test("filled containers wait two hours from the first one filled; then somebody signs", () => {
    const filled = (minutes: number, over: Partial<PackToLoad> = {}) =>
      pints({ filledAt: NOW - minutes * MIN, ...over });
    expect(judge([filled(120)]).toSign).toEqual([]);
    expect(judge([filled(121)]).toSign).toMatchObject([
      { key: "raw-waited", packs: ["PK1"], text: expect.stringMatching(/2 h 1 min.*limit is 2 h/) },
    ]);
    expect(judge([filled(130), filled(190)]).toSign).toMatchObject([
      { text: expect.stringMatching(/waited 3 h 10 min/) },
    ]);
    // A hot pack has cooled by then, and its time counts on it being hot.
    expect(judge([filled(120, { method: "hot" })]).toSign).toEqual([]);
    expect(judge([filled(121, { method: "hot" }), filled(130, { code: "PK2" })]).toSign).toMatchObject([
      { key: "raw-waited", packs: ["PK2"], text: expect.stringMatching(/^Raw containers waited 2 h 10 min/) },
      { key: "hot-waited", packs: ["PK1"], text: expect.stringMatching(/^Hot containers waited 2 h 1 min/) },
    ]);
    expect(waitedTooLong([filled(300, { heatedAt: NOW - 200 * MIN })], NOW)).toEqual([]);
    expect(waitedTooLong([filled(300, { heatedAt: NOW - 100 * MIN })], NOW)).toMatchObject([
      { minutes: 200 },
    ]);
  });
  test("a hot-only dish beside raw jars is signed for, and the reason is kept with all of them", () => {
    const mixed = governing([
      { product: "chile-con-carne", pack: "hot", container: "jar-pint" },
      { product: "red-meat-pieces", pack: "raw", container: "jar-pint" },
    ]);
    expect(
      judge([pints({ count: 4 }), pints({ count: 4, code: "PK2", method: "hot" })], {}, mixed).toSign,
    ).toMatchObject([
      { key: "hot-dish-beside-raw", packs: ["PK1", "PK2"] },
      { key: "raw-beside-hot", packs: ["PK1", "PK2"] },
    ]);
  });
  // Raw first, hot last, water at 140 °F: USDA 2015, Guide 1, from memory; the order is common practice, no source.
  test("raw beside hot jars: their order and water are confirmed, or somebody signs", () => {
    const row = { product: "red-meat-pieces", container: "jar-pint" } as const;
    const mixed = governing([
      { ...row, pack: "raw" },
      { ...row, pack: "hot" },
    ]);
    const both = [pints({ count: 4 }), pints({ count: 4, code: "PK2", method: "hot" })];
    expect(judge(both, {}, mixed)).toMatchObject({
      refused: null,
      toSign: [{ key: "raw-beside-hot", packs: ["PK1", "PK2"], text: expect.stringMatching(/140 °F.*last/) }],
    });
    expect(judge(both, {}, mixed, ["raw-beside-hot"])).toEqual({ refused: null, toSign: [] });
    const one = governing([
      { ...row, pack: "raw" },
      { ...row, pack: "raw" },
    ]);
    expect(
      judge(
        [pints(), pints({ code: "PK2" })].map((p) => ({ ...p, count: 4 })),
        {},
        one,
      ).toSign,
    ).toEqual([]);
  });
  test("fewer containers than the maker wants are signed for; jars of water count", () => {
    const least = { leastLoad: 4 };
    expect(judge([pints({ count: 4 })], least).toSign).toEqual([]);
    expect(judge([pints({ count: 3 })]).toSign).toEqual([]);
    expect(judge([pints({ count: 3 })], least).toSign).toMatchObject([
      {
        key: "below-least-load",
        packs: ["PK1"],
        text: expect.stringMatching(/at least 4.*has 3.*1 jar of water/),
      },
    ]);
    expect(
      judge(
        [pints({ count: 3 })],
        least,
        undefined,
        [],
        [{ kind: "jar-pint regular", count: 1, of: "water" }],
      ).toSign,
    ).toEqual([]);
  });
  test("what fills a canner up takes room in it like its load", () => {
    const water = (count: number): Filler[] => [{ kind: "jar-pint regular", count, of: "water" }];
    const pot = { ...canner.pot, manual: { "jar-pint": 9 } };
    expect(judge([pints({ count: 7 })], { pot }, undefined, [], water(2)).refused).toBeNull();
    expect(judge([pints({ count: 7 })], { pot }, undefined, [], water(3)).refused).toMatchObject({
      field: "packIds",
      message: expect.stringMatching(/^10 containers do not fit/),
    });
  });
  test.each<[string, Filler, RegExp]>([
    ["none at all", { kind: "jar-pint regular", count: 0, of: "water" }, /1 to 40/],
    ["half a jar", { kind: "jar-pint regular", count: 0.5, of: "water" }, /1 to 40/],
    ["more than any canner holds", { kind: "jar-pint regular", count: 41, of: "water" }, /1 to 40/],
    ["cans beside jars", { kind: "can-half-pound", count: 1, of: "water" }, /may not share/],
    [
      "beans under used lids",
      { kind: "jar-pint regular", count: 1, of: "beans", usedLids: true },
      /new lids/,
    ],
  ])("a canner is not filled up with %s", (_, filler, why) =>
    expect(judge([pints({ count: 3 })], {}, undefined, [], [filler]).refused).toMatchObject({
      field: "fillers",
      message: expect.stringMatching(why),
    }),
  );
  test("used lids close water; a used end closes nothing", () => {
    const jars: Filler = { kind: "jar-pint regular", count: 2, of: "water", usedLids: true };
    expect(judge([pints({ count: 3 })], {}, undefined, [], [jars]).refused).toBeNull();
    const cans = pints({ count: 3, container: "can-half-pound", mouth: null });
    expect(judge([cans], {}, undefined, [], [{ ...jars, kind: "can-half-pound" }]).refused).toMatchObject({
      message: expect.stringMatching(/end is seamed on once/),
    });
  });
  // Dry beans, soaked, boiled and packed hot: pints 75, quarts 90 minutes. Source: USDA 2015, Guide 4, from memory.
  test("beans that fill up a canner have their own time, and water has none", () => {
    const minutes = (filler: Filler) => {
      const answer = governingSchedule(
        [{ product: "soup", pack: "hot", container: "jar-pint" }, ...fillersAsPacks([filler])],
        { gauges: { dial: null, weightPiecesPsi: [5, 10, 15] }, quarts: 21 },
        100,
        NOW,
        AS_PUBLISHED,
      );
      return answer.outcome === "none" ? answer.reason : answer.minutes;
    };
    expect(minutes({ kind: "jar-pint regular", count: 2, of: "water" })).toBe(60);
    expect(minutes({ kind: "jar-pint regular", count: 2, of: "beans" })).toBe(75);
    expect(minutes({ kind: "jar-quart wide", count: 2, of: "beans" })).toBe(90);
    expect(minutes({ kind: "can-half-pound", count: 2, of: "beans" })).toMatch(/Cans and jars/);
  });
});

describe("minutes that are added to a scheduled process", () => {
  test.each([0, 1, 5, 60])("%d may be", (minutes) => expect(whyNotExtra(minutes)).toBeNull());
  test.each([-1, -75, 0.5, 61, NaN, Infinity])("%d may not", (minutes) =>
    expect(whyNotExtra(minutes)).toMatch(/whole minutes.*never fewer/),
  );
});
