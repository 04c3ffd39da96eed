import { describe, expect, test } from "vitest";
import { isFishGroup, SPECIES } from "../species/index.ts";
import { INGREDIENTS, allergensIn } from "./index.ts";

// The fourteen of Regulation (EU) No 1169/2011, Annex II, each by a food of its line, from memory; the nine of the United
// States (21 U.S.C. 321(qq)) are milk, eggs, fish, shellfish, tree nuts, peanuts, wheat, soybeans, sesame.
test.each([
  ["barley", "gluten"],
  ["crab", "shellfish"],
  ["egg", "egg"],
  ["lake trout", "fish"],
  ["peanuts", "peanut"],
  ["soybeans", "soy"],
  ["milk", "milk"],
  ["walnuts", "nuts"],
  ["celery", "celery"],
  ["mustard seed", "mustard"],
  ["sesame seed", "sesame"],
  ["white wine", "sulfites"],
  ["lupin", "lupin"],
  ["clams", "mollusks"],
])("%s is found as %s", (food, allergen) => {
  expect(allergensIn([`2 tsp ${food}`], false).found).toContain(allergen);
  expect(allergensIn([food.toUpperCase()], false).found).toContain(allergen);
});

describe("What is found", () => {
  test("is nothing in plain meat with salt, and fish in every kind of fish", () => {
    expect(allergensIn(["wild boar", "salt", "water"], false)).toEqual({ found: [], readyMade: [] });
    expect(allergensIn(["an unheard-of kind"], true).found).toEqual(["fish"]);
  });

  test("is not what only sounds like it", () => {
    for (const name of ["butter beans", "nutmeg", "butternut squash", "coconut", "goat", "crabapple"])
      expect(allergensIn([name], false).found, name).toEqual([]);
    expect(allergensIn(["butter beans in butter"], false).found).toEqual(["milk"]);
  });

  test("is never certain of what was bought ready made", () => {
    expect(allergensIn(["Beef stock", "salt", "tomato ketchup"], false).readyMade).toEqual([
      "Beef stock",
      "tomato ketchup",
    ]);
  });

  test("has every kind of fish of the recipes, and no animal of the land", () => {
    const fish = INGREDIENTS.filter((i) => i.role === "fish").flatMap((i) => i.names);
    for (const name of fish) expect(allergensIn([name], false).found, name).not.toEqual([]);
    for (const s of SPECIES.filter((x) => !isFishGroup(x.group)))
      expect(allergensIn([s.name], false).found, s.name).toEqual([]);
  });
});
