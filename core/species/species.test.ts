import { describe, expect, test } from "vitest";
import { AS_PUBLISHED, CONTAINERS, scheduledProcess } from "../schedule/index.ts";
import {
  CAUTIONS,
  HOLD_OFFERED,
  SPECIES,
  boneRule,
  formsFor,
  isFatty,
  nameInText,
  ownSpeciesKey,
  partsOf,
  productsFor,
  speciesByKey,
  treatedAs,
} from "./index.ts";

describe("the species catalogue", () => {
  test("keys are unique", () => expect(new Set(SPECIES.map((s) => s.key)).size).toBe(SPECIES.length));
  test("every form of every species leads to rows that some container has a time for", () => {
    for (const species of SPECIES) {
      for (const form of formsFor(species.group)) {
        const products = productsFor(species.group, form);
        // Beans fill a load's room; they are made from no animal.
        expect(products).not.toContain("dry-beans");
        // A roast kept whole is not packed: it is cut first, or eaten. Stock of fish has no tested process.
        const none = form === "roast" || (form === "bones" && species.group === "fish");
        expect(products.length > 0, `${species.key} ${form}`).toBe(!none);
        for (const product of products) {
          const found = CONTAINERS.some((container) =>
            (["raw", "hot"] as const).some(
              (pack) =>
                scheduledProcess({
                  product,
                  pack,
                  container,
                  gauge: "weighted",
                  altitudeM: 0,
                  rows: AS_PUBLISHED,
                }).outcome !== "none",
            ),
          );
          expect(found, `${species.key} ${form} ${product}`).toBe(true);
        }
      }
    }
  });
  test("a species the table does not name says what it is treated as", () => {
    expect(treatedAs(speciesByKey("pike")!)).toBe(
      "Pike is not named in the table; treated as fish. Ask your extension office.",
    );
    expect(treatedAs(speciesByKey("hare")!)).toMatch(/treated as chicken or rabbit/);
    expect(treatedAs(speciesByKey("salmon")!)).toBeNull();
  });
  test("boned meat is never given the shorter bone-in time", () => {
    expect(productsFor("bird-rabbit", "pieces")).not.toContain("poultry-rabbit-bone-in");
    expect(productsFor("bird-rabbit", "bone-in")).toEqual(["poultry-rabbit-bone-in"]);
  });
  test("carriers of trichinella and the deer family carry their caution", () => {
    for (const key of ["wild-boar", "black-bear"])
      expect(speciesByKey(key)!.cautions).toContain("trichinella");
    for (const key of ["whitetail-deer", "mule-deer", "elk", "moose"])
      expect(speciesByKey(key)!.cautions).toContain("prion");
    for (const text of Object.values(CAUTIONS)) expect(text).toMatch(/\.$/);
  });
  test("at least 60 animals of both temperate zones are in it, of every group", () => {
    expect(SPECIES.length).toBeGreaterThanOrEqual(60);
    for (const key of [
      "kangaroo",
      "tahr",
      "kahawai",
      "springbok",
      "moose",
      "roe-deer",
      "zander",
      "ptarmigan",
    ])
      expect(speciesByKey(key), key).toBeDefined();
    // As people who catch and shoot them call them. Common practice, no source.
    for (const key of [
      "king-salmon",
      "sockeye-salmon",
      "silver-salmon",
      "pink-salmon",
      "chum-salmon",
      "ruffed-grouse",
    ])
      expect(speciesByKey(key), key).toBeDefined();
    for (const group of ["red-meat", "bird-rabbit", "fish", "tuna"] as const) {
      expect(SPECIES.filter((s) => s.group === group).length).toBeGreaterThan(1);
      expect(partsOf(group).length).toBeGreaterThan(4);
    }
  });
  test("composition is of lean raw flesh: it adds up to about 100 %, mostly water, then protein", () => {
    for (const { key, composition: c } of SPECIES) {
      const sum = c.water + c.protein + c.fat + c.ash;
      // Measured means of each part never add up exactly; 95 to 104 % is what published tables show. From memory.
      expect(sum, key).toBeGreaterThan(94.9);
      expect(sum, key).toBeLessThan(104.1);
      expect(c.water, key).toBeGreaterThan(60);
      expect(c.protein, key).toBeGreaterThan(c.ash);
    }
  });
  test("venison is 73.6 % water, 23 % protein, 2.4 % fat (public food composition tables, from memory)", () =>
    expect(speciesByKey("whitetail-deer")!.composition).toEqual({
      water: 73.6,
      protein: 23,
      fat: 2.4,
      ash: 1.2,
    }));
  test("yields are fractions, boneless of a deer about half of its dressed weight (common practice, no source)", () => {
    for (const { key, yields } of SPECIES)
      for (const y of [yields.dressed, yields.boneless]) {
        expect(y.mean, key).toBeGreaterThan(0.3);
        expect(y.mean + 3 * y.sd, key).toBeLessThan(1.15);
        expect(y.sd, key).toBeGreaterThan(0);
      }
    expect(speciesByKey("mule-deer")!.yields.boneless.mean).toBeCloseTo(0.52, 2);
  });
  test("bones: halibut goes in without, salmon’s soften, birds on the bone have their own time", () => {
    expect(boneRule(speciesByKey("halibut")!)).toMatch(/come out/);
    expect(boneRule(speciesByKey("salmon")!)).toMatch(/soften/);
    expect(boneRule(speciesByKey("pheasant")!)).toMatch(/time of its own/);
    expect(boneRule(speciesByKey("rabbit")!)).toMatch(/65 minutes/);
    expect(boneRule(speciesByKey("moose")!)).toMatch(/off the bone/);
  });
  test("glass-like crystals are explained where they come, in salmon and tuna", () => {
    for (const { key } of SPECIES.filter((s) => /salmon|tuna|albacore|kokanee/.test(s.key)))
      expect(speciesByKey(key)!.cautions).toContain("struvite");
    expect(speciesByKey("pike")!.cautions).not.toContain("struvite");
  });
  test("every carrier offers its hold, and no animal that is no carrier does", () => {
    expect(Object.keys(HOLD_OFFERED)).toEqual(["trichinella", "prion"]);
    for (const species of SPECIES)
      if (species.group !== "red-meat") expect(species.cautions.some((c) => HOLD_OFFERED[c])).toBe(false);
  });
});

test("inside a sentence a name is small, but for the place or person in it", () => {
  const of = (key: string) => nameInText(speciesByKey(key)!);
  expect(of("lake-trout")).toBe("lake trout");
  expect(of("canada-goose")).toBe("Canada goose");
  expect(of("king-salmon")).toBe("king (Chinook) salmon");
});

describe("an animal the household adds", () => {
  test("is called what they call it and handled like what they chose", () => {
    const key = ownSpeciesKey("wild-sheep", "  Barbary   sheep ");
    const own = speciesByKey(key)!;
    expect(own.name).toBe("Barbary sheep");
    expect(own.plural).toBe("barbary sheep");
    expect(own.group).toBe("red-meat");
    expect(own.yields).toEqual(speciesByKey("wild-sheep")!.yields);
    expect(treatedAs(own)).toBe(
      "Barbary sheep is not named in the table; treated as red meat and game, like wild sheep. Ask your extension office.",
    );
  });
  test("is never taken as named, even when it is like one the table names", () =>
    expect(treatedAs(speciesByKey(ownSpeciesKey("salmon", "Huchen"))!)).toMatch(/^Huchen is not named/));
  test("must be like an animal of the catalogue, and have a name", () => {
    expect(() => ownSpeciesKey("griffin", "Griffin")).toThrow(RangeError);
    expect(() => ownSpeciesKey("elk", "  ")).toThrow(RangeError);
    expect(speciesByKey("griffin/Griffin")).toBeUndefined();
    expect(speciesByKey("elk/")).toBeUndefined();
  });
});

describe("kinds whose fat climbs under a lid", () => {
  test("by caution or by composition; a kind nobody knows counts as fatty", () => {
    expect(["grouse", "pronghorn", "pike"].map(isFatty)).toEqual([false, false, false]);
    expect(["goose", "duck", "lake-trout", "never-heard-of"].map(isFatty)).toEqual([true, true, true, true]);
  });
});
