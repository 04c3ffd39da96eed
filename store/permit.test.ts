import { describe, expect, test } from "vitest";
import { changeHousehold } from "#store/household";
import { getLot } from "#store/lot";
import { getPack, permitReprocess, permitPack, type PackAsked } from "#store/pack";
import { saveRecipe } from "#store/recipe";
import { keepOffice, packPints, refusedFields as fields, testLarder, type TestLarder } from "#store/testing";

const PINTS: PackAsked = {
  product: "red-meat-pieces",
  method: "raw",
  container: "jar-pint",
  mouth: "regular",
  count: 4,
  massKg: 2,
  liquid: "none",
  saltTspEach: 0,
};
const OFFICE = {
  office: "Valley office",
  givenOn: "2026-11-20",
  minutes: 99,
  pressurePsi: 11,
  gauge: "dial",
} as const;
const CANS = { product: "can-game", method: "hot", container: "can-half-pound", mouth: null } as const;

describe("the store's one door for a pack", () => {
  const ask = (t: TestLarder, more: Partial<PackAsked> = {}) =>
    permitPack(t.larder, { ...PINTS, ...more }, getLot(t.larder, t.lotId));
  test("what a person confirmed stays with the process, and nothing is said to be confirmed that was not", () => {
    const t = testLarder();
    expect(ask(t)).not.toHaveProperty("confirmed");
    expect(ask(t, { confirmed: [] })).not.toHaveProperty("confirmed");
    expect(ask(t, { confirmed: ["seen"] }).confirmed).toEqual(["seen"]);
  });
  test("an odd weight is asked about, by the common figure when the household has none, until somebody is sure", () => {
    const t = testLarder();
    const little = { massKg: 0.8 };
    expect(Object.keys(fields(() => ask(t, little)))).toEqual(["confirm"]);
    expect(ask(t, { ...little, sure: true }).minutes).toBe(75);
  });
  test("what is written as seasoning is looked at; what is empty is nothing", () => {
    const t = testLarder();
    expect(Object.keys(fields(() => ask(t, { additions: " flour " })))).toEqual(["additions"]);
    expect(ask(t, { additions: "   " }).minutes).toBe(75);
  });
  test("without a process, the container is to blame; without one by an office, the office's schedule", () => {
    const t = testLarder();
    expect(fields(() => ask(t, { container: "jar-half-gallon" as never })).container).toMatch(
      /^No tested process for red meat and game, pieces like this\./,
    );
    expect(Object.keys(fields(() => ask(t, { office: OFFICE })))).toEqual(["office"]);
  });
  test("what an office gave is what the pack is held to", () => {
    const t = testLarder();
    const given = {
      ...CANS,
      liquid: "broth",
      liquidName: "Beef broth",
      count: 2,
      massKg: null,
      office: OFFICE,
    };
    expect(fields(() => ask(t, given)).office).toMatch(/No such schedule is kept here/);
    keepOffice(t, CANS, OFFICE);
    expect(ask(t, given)).toMatchObject({ minutes: 99, pressurePsi: 11, fromOffice: true });
    expect(Object.keys(fields(() => ask(t, { ...given, office: { ...OFFICE, minutes: 98 } })))).toEqual([
      "office",
    ]);
    expect(Object.keys(fields(() => ask(t, { ...given, office: null })))).toEqual(["container"]);
  });
  test("this household's own packs decide what is odd", () => {
    const t = testLarder();
    const thin = () => packPints(t, 2, { massKg: 2 * 0.3, sure: true });
    expect(fields(() => packPints(t, 2, { massKg: 2 * 0.3 })).confirm).toBeTruthy();
    for (let i = 0; i < 6; i++) thin();
    expect(packPints(t, 2, { massKg: 2 * 0.3 }).code).toBeTruthy();
  });
  test("a dish goes only into a size that all of it has a process for", () => {
    const t = testLarder();
    const of = (name: string, amount: number) => ({ name, amount, role: null });
    saveRecipe(t.larder, t.write(), {
      name: "Mushroom stew",
      dish: "stew",
      ingredients: [of("boar", 3), of("mushrooms", 1), of("broth", 2)],
    });
    const stew = {
      product: "stewed-meat",
      method: "hot",
      liquid: "broth",
      liquidName: "Beef broth",
      dish: "Mushroom stew",
      massKg: null,
    } as const;
    // USDA 2015 Guide 4, from memory: mushrooms have rows for half-pints and pints only.
    expect(fields(() => ask(t, { ...stew, container: "jar-quart" })).container).toMatch(
      /Mushrooms .*use pints/i,
    );
    expect(ask(t, stew).product).toBe("stewed-meat");
  });
  test("a dish without a recipe of its name is refused at what it is", () => {
    const t = testLarder();
    expect(fields(() => ask(t, { dish: "Stew nobody wrote" })).product).toMatch(/no recipe called Stew/);
  });
});

describe("reprocessed", () => {
  const anew = (t: TestLarder, schedule: Partial<ReturnType<typeof getPack>["schedule"]>) => {
    const pack = getPack(t.larder, packPints(t).id);
    return permitReprocess(t.larder, {
      ...pack,
      schedule: { ...pack.schedule, ...schedule },
      lots: [{ id: t.lotId }],
    });
  };
  test("what an office gave is kept as it was given; what was confirmed then holds now", () => {
    const t = testLarder();
    expect(anew(t, { fromOffice: true, givenForM: 1500, minutes: 98 }).minutes).toBe(98);
    expect(anew(t, { minutes: 98 }).minutes).toBe(75);
    expect(anew(t, { confirmed: ["seen"] }).confirmed).toEqual(["seen"]);
    expect(anew(t, {})).not.toHaveProperty("confirmed");
  });
  test("what an office gave holds up to the altitude it was given for", () => {
    const t = testLarder();
    expect(fields(() => anew(t, { fromOffice: true, givenForM: 10 }))[""]).toMatch(/given for 33 ft/);
    expect(fields(() => anew(t, { fromOffice: true }))[""]).toMatch(/does not say/);
  });
  test("common practice nobody accepted is refused now, whoever packed it then", () => {
    const t = testLarder(":memory:", false);
    // No row for cans stands above 1,000 ft.
    changeHousehold(t.larder, t.write(), { altitudeM: 100 });
    const lots = [{ id: t.lotId }];
    const { schedule } = getPack(t.larder, packPints(t).id);
    expect(fields(() => permitReprocess(t.larder, { ...CANS, schedule, lots }))[""]).toMatch(
      /no published source/,
    );
  });
});
