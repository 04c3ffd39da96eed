import { v7 as uuid } from "uuid";
import { describe, expect, test } from "vitest";
import { once } from "#store/db";
import { addIndividual } from "#store/harvest";
import { saveRecipe } from "#store/recipe";
import { addSupply, recount } from "#store/supply";
import { addTool } from "#store/check";
import { refusal, refusedFields, testLarder } from "#store/testing";

/** Limits of figures in the tables, by name, as the database itself tells them. */
function ranges(): string[] {
  const { sqlite } = testLarder().larder;
  const tables = sqlite
    .prepare("select sql from sqlite_master where type = 'table' and sql like '%CHECK%'")
    .pluck()
    .all() as string[];
  return tables
    .flatMap((sql) => [...sql.matchAll(/CONSTRAINT "(\w+)" CHECK\s*\((.*)\)/g)])
    .filter(([, , rule = ""]) => / between -?\d| [<>]=? -?\d/i.test(rule) && !/json|glob/i.test(rule))
    .map(([, name]) => name!);
}

describe("what a table will not take is told in words", () => {
  /** Kept by the program itself, and by nothing a person types: no sentence would reach anybody. */
  const OWN = new Set([
    "household_altitude",
    "household_margin",
    "household_unwatched",
    "household_rest",
    "individual_number",
    "container_number",
    "origin_share",
    "repacked_weight",
    "drill_result_score",
    "run_event_gauge",
    "run_event_temp",
  ]);

  test.each(ranges().map((name) => [name]))("%s", (name) => {
    const { larder, write } = testLarder();
    const broken = () =>
      once(larder, write(), "test", () => {
        throw Object.assign(new Error(`CHECK constraint failed: ${name}`), {
          code: "SQLITE_CONSTRAINT_CHECK",
        });
      });
    if (OWN.has(name)) expect(broken).toThrow(`CHECK constraint failed: ${name}`);
    else expect(refusal(broken)).toMatch(/^[A-Z].*\.$/);
  });
  test("there are as many as are looked at here", () => expect(ranges().length).toBeGreaterThan(25));
  test("any other fault of the database stays a fault", () => {
    const { larder, write } = testLarder();
    const fault = () =>
      once(larder, write(), "test", () => {
        larder.sqlite.prepare("insert into person (id) values (1)").run();
        throw new Error("not reached");
      });
    expect(fault).toThrow(/NOT NULL|cannot store/);
  });
});

describe("figures past what can be", () => {
  test("a fish of no length, or of no weight, leaves nothing behind", () => {
    const { larder, write, harvestId } = testLarder();
    larder.sqlite.prepare("update harvest set count = 3").run();
    for (const one of [
      { weightKg: null, lengthM: 0 },
      { weightKg: 0, lengthM: null },
      { weightKg: 1, lengthM: -0.4 },
    ])
      expect(refusal(() => addIndividual(larder, write(), harvestId, one))).toMatch(/more than (zero|0)/);
    expect(larder.sqlite.prepare("select count(*) from individual").pluck().get()).toBe(0);
    expect(addIndividual(larder, write(), harvestId, { weightKg: 1.2, lengthM: 0.48 })).toEqual({
      number: 1,
    });
  });
  test("boxes of one label are counted to ten thousand, however they are added", () => {
    const { larder, write } = testLarder();
    const lids = {
      kind: "lid" as const,
      container: null,
      mouth: "wide" as const,
      label: "Crate",
      count: 10_000,
    };
    const { id } = addSupply(larder, write(), lids);
    expect(refusedFields(() => addSupply(larder, write(), { ...lids, count: 1 })).count).toMatch(
      /10000 of it/,
    );
    recount(larder, write(), { supplyId: id, left: 0, why: "counted" });
    expect(addSupply(larder, write(), { ...lids, count: 1 }).id).toBe(id);
  });
  test("a recipe for a regiment, and a canner for a factory", () => {
    const { larder, write } = testLarder();
    const stew = (amount: number) => ({
      name: "Stew",
      dish: "stew" as const,
      ingredients: [
        { name: "boar, cubed", amount, role: "meat" as const },
        { name: "broth", amount: 2, role: "liquid" as const },
      ],
    });
    expect(refusal(() => saveRecipe(larder, write(), stew(1001)))).toMatch(/at most a metric ton/);
    const tool = { kind: "burner" as const, name: "Ring", outdoors: 0, induction: 0, note: null };
    expect(
      refusal(() => addTool(larder, write(), { ...tool, powerW: 3500, lowestKPa: 900 } as never)),
    ).toMatch(/0 to 210 kPa/);
    expect(refusal(() => addTool(larder, write(), { ...tool, powerW: 5, lowestKPa: null } as never))).toMatch(
      /100 to 60,000 W/,
    );
  });
  test("a write that was refused may be sent again, put right, by the same form", () => {
    const { larder, harvestId } = testLarder();
    const form = { key: uuid(), byId: null };
    refusal(() => addIndividual(larder, form, harvestId, { weightKg: 0, lengthM: null }));
    expect(addIndividual(larder, form, harvestId, { weightKg: 2, lengthM: null })).toEqual({ number: 1 });
  });
});
