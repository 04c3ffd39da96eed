import { describe, expect, test } from "vitest";
import { CONTAINERS, testedSchedule } from "../schedule/index.ts";
import { CAUTIONS, SPECIES, formsFor, productsFor, speciesByKey, treatedAs } from "./index.ts";

describe("the species catalogue", () => {
  test("keys are unique", () => expect(new Set(SPECIES.map((s) => s.key)).size).toBe(SPECIES.length));
  test("every form of every species leads to rows that some container has a time for", () => {
    for (const species of SPECIES) {
      for (const form of formsFor(species.group)) {
        const products = productsFor(species.group, form);
        expect(products.length).toBeGreaterThan(0);
        for (const product of products) {
          const found = CONTAINERS.some((container) =>
            (["raw", "hot"] as const).some(
              (pack) =>
                testedSchedule({ product, pack, container, gauge: "weighted", altitudeM: 0 }).outcome ===
                "tested",
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
});
