import { describe, expect, test } from "vitest";
import { v7 as uuid } from "uuid";
import type { Refused } from "#store/db";
import { addTool, checksOf, checksOfRun, recordCheck } from "#store/check";
import { NO_MEASURES, addCanner, getCanner, measureCanner, recordGaugeCheck } from "#store/equipment";
import { closePlan, storeWish, getOpenPlan } from "#store/plan";
import { listRecipes, saveRecipe } from "#store/recipe";
import { containersOfPack, unpack } from "#store/pack";
import { getRun, openRun, pastStages, takeOutLoad } from "#store/run";
import type { Filler } from "#core/run";
import {
  addSupply,
  boxesOfPack,
  countedStock,
  listSupplies,
  packsWithBox,
  recount,
  suppliesInUse,
} from "#store/supply";
import {
  freshLot,
  packPints,
  testLarder,
  type TestLarder,
  refusal,
  refusedFields as fields,
} from "#store/testing";
import { kPaFromPsi } from "#core/quantity";

const left = (t: TestLarder) => Object.fromEntries(listSupplies(t.larder).map((s) => [s.label, s.left]));

function counted(): TestLarder {
  const t = testLarder();
  const add = (kind: "jar" | "lid", label: string, count: number) =>
    addSupply(t.larder, t.write(), {
      kind,
      label,
      count,
      mouth: "regular",
      container: kind === "jar" ? "jar-pint" : null,
    });
  add("jar", "crates", 20);
  add("lid", "box 1", 3);
  t.pass(60);
  add("lid", "box 2", 12);
  return t;
}

/** The box a container's lid came from. */
const boxOf = (t: TestLarder, containerId: string) =>
  t.larder.sqlite
    .prepare(
      "select s.label from container_lid l join supply s on s.id = l.supply_id where l.container_id = ?",
    )
    .pluck()
    .get(containerId) as string | undefined;

describe("jars and lids are counted down by packing", () => {
  test("lids from the oldest box first, and each jar knows its box", () => {
    const t = counted();
    const pack = packPints(t, 5);
    expect(left(t)).toEqual({ crates: 15, "box 1": 0, "box 2": 10 });
    const labels = containersOfPack(t.larder, pack.id).map((c) => boxOf(t, c.id)!);
    expect(labels).toEqual(["box 1", "box 1", "box 1", "box 2", "box 2"]);
    expect(boxesOfPack(t.larder, pack.id)).toEqual([
      { label: "box 1", count: 3 },
      { label: "box 2", count: 2 },
    ]);
  });
  test("a bad box is found later: every pack with its lids", () => {
    const t = counted();
    const pack = packPints(t, 5);
    const bad = listSupplies(t.larder).find((s) => s.label === "box 2")!;
    expect(packsWithBox(t.larder, bad.id)).toMatchObject([{ code: pack.code, count: 2 }]);
  });
  test("dealt with are those that hold something, and of each kind the newest empty ones", () => {
    const t = counted();
    for (let i = 0; i < 9; i++) {
      t.pass(60);
      const box = {
        kind: "lid" as const,
        label: `old ${i}`,
        count: 1,
        mouth: "regular" as const,
        container: null,
      };
      const { id } = addSupply(t.larder, t.write(), box);
      recount(t.larder, t.write(), { supplyId: id, left: 0, why: "counted" });
    }
    expect(suppliesInUse(t.larder).map((s) => s.label)).toEqual([
      "crates",
      "box 1",
      "box 2",
      "old 3",
      "old 4",
      "old 5",
      "old 6",
      "old 7",
      "old 8",
    ]);
  });
  test("from the box that is named", () => {
    const t = counted();
    const box = listSupplies(t.larder).find((s) => s.label === "box 2")!;
    packPints(t, 4, { lidBoxId: box.id });
    expect(left(t)).toEqual({ crates: 16, "box 1": 3, "box 2": 8 });
  });
  test("taken apart again, everything goes back where it came from", () => {
    const t = counted();
    const pack = packPints(t, 5);
    unpack(t.larder, t.write(), pack.id);
    expect(left(t)).toEqual({ crates: 20, "box 1": 3, "box 2": 12 });
  });
  test("more filled than were counted: asked about, and once the count was wrong nothing falls below none", () => {
    const t = counted();
    const jars = listSupplies(t.larder).find((s) => s.kind === "jar")!;
    recount(t.larder, t.write(), { supplyId: jars.id, left: 2, why: "counted" });
    expect(fields(() => packPints(t, 4)).confirm).toBe(
      "By your count 2 jars are left, and this takes 4. Count them again: are there more?",
    );
    expect(left(t).crates).toBe(2);
    packPints(t, 4, { sure: true });
    expect(left(t).crates).toBe(0);
  });
  test("where nothing is counted nothing is asked", () => {
    const t = testLarder();
    expect(boxOf(t, containersOfPack(t.larder, packPints(t, 2).id)[0]!.id)).toBeUndefined();
  });
  test("a count below none is refused, here and in the table itself", () => {
    const t = counted();
    const { id } = listSupplies(t.larder)[0]!;
    expect(refusal(() => recount(t.larder, t.write(), { supplyId: id, left: -1, why: "counted" }))).toContain(
      "fewer than none",
    );
    expect(() =>
      t.larder.sqlite
        .prepare(
          "insert into supply_change (id, supply_id, at, delta, why) values (?, ?, 0, -999, 'counted')",
        )
        .run(uuid(), id),
    ).toThrow(/CHECK/);
    expect(() => t.larder.sqlite.prepare("update supply_change set delta = 0").run()).toThrow(/append-only/);
  });
  test("what a plan may count on is what is there, and null where nothing was ever counted", () => {
    const t = counted();
    expect(countedStock(listSupplies(t.larder), ["jar-pint regular", "jar-quart wide"])).toMatchObject({
      containers: { "jar-pint regular": 20, "jar-quart wide": null },
      lids: { regular: 15, wide: null },
    });
  });
});

describe("canners as they are measured", () => {
  test("by their plain size before anybody measures, and as measured after", () => {
    const t = testLarder();
    expect(getCanner(t.larder, t.cannerId).pot).toMatchObject({ measured: false, insideDiameterMm: 311 });
    measureCanner(t.larder, t.write(), t.cannerId, {
      ...NO_MEASURES,
      insideDiameterMm: 330,
      usableHeightMm: 250,
      manual: { "jar-pint": 16 },
    });
    expect(getCanner(t.larder, t.cannerId).pot).toMatchObject({
      measured: true,
      insideDiameterMm: 330,
      manual: { "jar-pint": 16 },
    });
  });
  test("measures no canner has are refused at their field", () => {
    const t = testLarder();
    try {
      measureCanner(t.larder, t.write(), t.cannerId, {
        ...NO_MEASURES,
        insideDiameterMm: 31,
        manual: { "jar-quart": 7 },
        minLoad: 99,
      });
      throw new Error("it was not refused");
    } catch (error) {
      expect(Object.keys((error as Refused).fields).sort()).toEqual(["insideDiameterMm", "minLoad"]);
    }
  });
  test("a dial tested at several pressures goes by its highest error; far off low it is replaced", () => {
    const t = testLarder();
    const test5to15 = (errors: number[]) => {
      const [first, ...more] = errors.map((e, i) => ({
        atKPa: kPaFromPsi(5 * (i + 1)),
        errorKPa: kPaFromPsi(e),
      }));
      t.pass(1);
      recordGaugeCheck(t.larder, t.write(), {
        cannerId: t.cannerId,
        at: t.larder.now(),
        note: null,
        ...first!,
        more,
      });
      return getCanner(t.larder, t.cannerId).gauges.dial!.errorPsi!;
    };
    expect(test5to15([0, 0.5, 1])).toBeCloseTo(1, 9);
    expect(test5to15([-0.5, 0.2, -1])).toBeCloseTo(0.2, 9);
    expect(test5to15([-3, 0, 0.5])).toBeCloseTo(-3, 9);
    expect(getCanner(t.larder, t.cannerId).checks.filter((c) => c.testId).length).toBe(9);
  });
});

describe("a look that stops a load, and one that wants a signature", () => {
  const open = (t: TestLarder, more: Partial<Parameters<typeof openRun>[2]> = {}) =>
    openRun(t.larder, t.write(), {
      cannerId: t.cannerId,
      packIds: [packPints(t, 2).id],
      signedReason: null,
      ...more,
    });
  const look = (t: TestLarder, item: "gasket" | "vent", finding: "sound" | "bad") =>
    recordCheck(t.larder, t.write(), { equipmentId: t.cannerId, kind: "canner", item, finding, note: null });
  test("a bad gasket stops the load, whoever signs, until it is looked at again", () => {
    const t = testLarder();
    look(t, "gasket", "bad");
    expect(refusal(() => open(t, { equipmentReason: "it will do" }))).toContain("Gasket was not OK");
    expect(open(t, { findings: [{ item: "gasket", finding: "sound", note: null }] }).code).toBeTruthy();
  });
  test("a look a year old wants a signed reason, which stays with the run", () => {
    const t = testLarder();
    look(t, "gasket", "sound");
    t.pass(60 * 24 * 364);
    recordGaugeCheck(t.larder, t.write(), {
      cannerId: t.cannerId,
      at: t.larder.now(),
      errorKPa: 0,
      note: null,
    });
    t.pass(60 * 24 * 3);
    freshLot(t);
    expect(refusal(() => open(t))).toContain("Gasket is overdue");
    const { code } = open(t, { equipmentReason: "New gasket is in the post" });
    expect(getRun(t.larder, code).equipmentSignedReason).toBe("New gasket is in the post");
  });
  test("what is found before the load is kept with the run and on the card", () => {
    const t = testLarder();
    const { id } = open(t, {
      findings: [
        { item: "vent", finding: "sound", note: null },
        { item: "bands", finding: "sound", note: null },
      ],
    });
    expect(checksOfRun(t.larder, id).map((c) => [c.item, c.equipmentId])).toEqual([
      ["vent", t.cannerId],
      ["bands", null],
    ]);
    expect(checksOf(t.larder, t.cannerId)).toHaveLength(1);
    expect(() => t.larder.sqlite.prepare("delete from equipment_check").run()).toThrow(/append-only/);
  });
  test("an aluminum canner is not put on an induction hob", () => {
    const t = testLarder();
    measureCanner(t.larder, t.write(), t.cannerId, { ...NO_MEASURES, aluminium: 1 });
    const hob = addTool(t.larder, t.write(), {
      kind: "burner",
      name: "Hob",
      powerW: 2000,
      lowestKPa: null,
      outdoors: 0,
      induction: 1,
      note: null,
    });
    expect(refusal(() => open(t, { burnerId: hob.id }))).toContain("will not heat");
  });
  test("a burner has no gasket to look at, and two things have two names", () => {
    const t = testLarder();
    const tool = {
      kind: "burner" as const,
      name: "Hob",
      powerW: null,
      lowestKPa: null,
      outdoors: 0,
      induction: 0,
      note: null,
    };
    const hob = addTool(t.larder, t.write(), tool);
    expect(
      refusal(() =>
        recordCheck(t.larder, t.write(), {
          equipmentId: hob.id,
          kind: "burner",
          item: "gasket",
          finding: "sound",
          note: null,
        }),
      ),
    ).toContain("no gasket");
    expect(refusal(() => addTool(t.larder, t.write(), tool))).toContain("already");
  });
});

describe("recipes and the plan in hand", () => {
  const stew = {
    name: "Stew",
    dish: "stew" as const,
    ingredients: [
      { name: "boar", amount: 2.5, role: null },
      { name: "carrots", amount: 0.8, role: null },
      { name: "broth", amount: 2, role: null },
    ],
  };
  test("a recipe comes back as it was kept; one with flour is refused with the reason", () => {
    const t = testLarder();
    saveRecipe(t.larder, t.write(), stew);
    expect(listRecipes(t.larder)).toMatchObject([stew]);
    const floured = {
      ...stew,
      name: "Gravy",
      ingredients: [...stew.ingredients, { name: "flour", amount: 0.1, role: null }],
    };
    expect(refusal(() => saveRecipe(t.larder, t.write(), floured))).toContain("thickens");
    expect(listRecipes(t.larder)).toHaveLength(1);
  });
  test("one plan is in hand; changed, it is the same plan; put away, the next begins afresh", () => {
    const t = testLarder();
    expect(getOpenPlan(t.larder)).toBeNull();
    const { id } = storeWish(t.larder, t.write(), { lots: [] });
    expect(storeWish(t.larder, t.write(), { lots: ["x"] }).id).toBe(id);
    expect(getOpenPlan(t.larder)!.wish).toEqual({ lots: ["x"] });
    closePlan(t.larder, t.write());
    expect(getOpenPlan(t.larder)).toBeNull();
  });
  test("a canner nobody has run teaches nothing about its stages", () => {
    const t = testLarder();
    const { id } = addCanner(t.larder, t.write(), {
      name: "New",
      quarts: 16,
      hasDial: false,
      weightPiecesPsi: [15],
      safeMaxKPa: 138,
    });
    expect(pastStages(t.larder, id)).toEqual({ heatUp: [], comeUp: [], coolDown: [], unload: [] });
  });
});

describe("jars of water or beans that fill up a canner", () => {
  const load = (t: TestLarder, fillers: Filler[], over: object = {}) =>
    openRun(t.larder, t.write(), {
      cannerId: t.cannerId,
      packIds: [packPints(t, 2).id],
      signedReason: null,
      fillers,
      ...over,
    });
  const water: Filler = { kind: "jar-pint regular", count: 3, of: "water" };

  test("they stand in the run's plan, take lids, and are no stock", () => {
    const t = counted();
    const stock = t.larder.sqlite.prepare("select count(*) from container").pluck();
    const { id, code } = load(t, [water]);
    expect(getRun(t.larder, id).plan.fillers).toEqual([water]);
    expect(stock.get()).toBe(2);
    // Two for the pack from the older box, then its last one and two of the next.
    expect(left(t)).toMatchObject({ "box 1": 0, "box 2": 10, crates: 18 });
    // Taken out before the burner is lit, they give their lids back; the pack keeps its own.
    takeOutLoad(t.larder, t.write(), id);
    expect(left(t)).toMatchObject({ "box 1": 1, "box 2": 12 });
    expect(
      t.larder.sqlite.prepare("select sum(delta) from supply_change where pack_code = ?").pluck().get(code),
    ).toBe(0);
  });
  test("used lids are not counted", () => {
    const t = counted();
    load(t, [{ ...water, usedLids: true }]);
    expect(left(t)).toMatchObject({ "box 1": 1, "box 2": 12 });
  });
  test("more than were counted is asked, and then believed", () => {
    const t = counted();
    packPints(t, 9);
    const many = [{ ...water, count: 5 }];
    expect(fields(() => load(t, many))).toMatchObject({
      confirm: expect.stringMatching(/4 lids are left, and this takes 5/),
    });
    packPints(t, 1);
    load(t, many, { sure: true });
    expect(left(t)).toMatchObject({ "box 1": 0, "box 2": 0 });
  });
  test("beans lengthen a load to their own time, and keep their row with the run", () => {
    const t = counted();
    const beans: Filler = { kind: "jar-quart wide", count: 2, of: "beans" };
    // Raw jars stand beside hot ones then.
    expect(fields(() => load(t, [beans])).loadReason).toMatch(/^Raw and hot jars together/);
    const { id } = load(t, [beans], { confirmed: ["raw-beside-hot"] });
    const { plan, schedule } = getRun(t.larder, id);
    expect(plan.minutes).toBe(90);
    expect(schedule.governing.each.map((s) => s.product)).toEqual(["red-meat-pieces", "dry-beans"]);
  });
  test("more than the canner holds is refused, whatever is in them", () => {
    const t = counted();
    expect(fields(() => load(t, [{ ...water, count: 40 }], { sure: true })).packIds).toMatch(
      /^42 containers/,
    );
  });
});
