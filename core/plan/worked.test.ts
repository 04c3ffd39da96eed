import { AS_PUBLISHED } from "../schedule/index.ts";
import highsLoader from "highs";
import { beforeAll, describe, expect, test } from "vitest";
import { presetFor } from "../capacity/index.ts";
import { mFromFt } from "../quantity/index.ts";
import {
  SOLVER_OPTIONS,
  placesOf,
  proposeLoads,
  type PlanWish,
  type Solver,
  type WishCanner,
  type WishLot,
} from "./index.ts";

let solver: Solver;
beforeAll(async () => {
  const highs = await highsLoader();
  solver = (lp, seconds) => highs.solve(lp, { ...SOLVER_OPTIONS, time_limit: seconds });
});

const NOW = Date.UTC(2026, 10, 23, 10);
const LB = 0.45359237;

const canner = (quarts: number, more: Partial<WishCanner> = {}): WishCanner => ({
  id: `c${quarts}`,
  name: `${quarts}-quart`,
  quarts,
  gauges: { dial: null, weightPiecesPsi: [5, 5, 5] },
  pot: { ...presetFor(quarts), manual: {} },
  minLoad: 2,
  without: [],
  maxLoads: null,
  ...more,
});
const dial = (errorPsi: number) => ({
  gauges: { dial: { errorPsi, testedAt: NOW - 86_400_000 }, weightPiecesPsi: [] },
});

const lot = (
  id: string,
  lb: number,
  kind: string,
  lbEach: number,
  more: Partial<WishLot["into"][number]> = {},
): WishLot => ({
  id,
  massKg: lb * LB,
  into: [{ kind, kgEach: lbEach * LB, product: "red-meat-pieces", pack: "raw", ...more }],
});
const PINT = "jar-pint regular";
const QUART = "jar-quart regular";

const plan = (lots: WishLot[], canners: WishCanner[], ft = 2300, more: Partial<PlanWish> = {}) =>
  proposeLoads(
    {
      altitudeM: mFromFt(ft),
      rows: AS_PUBLISHED,
      lots,
      canners,
      stock: { containers: {}, lids: { regular: null, wide: null }, ends: {} },
      settled: [],
      maxLoads: null,
      signedOverdue: false,
      ...more,
    },
    NOW,
    solver,
  );

// Minutes and pounds: USDA 2015, Guide 5, from memory. Containers a canner: the published packings with 3 mm between.
describe("ten days worked by hand", () => {
  test("1. eight pounds of boar at 1 lb a pint: 8 pints, one load of 75 minutes, nothing left", async () => {
    const { loads, left } = await plan([lot("boar", 8.02, PINT, 1)], [canner(16)]);
    expect(loads).toHaveLength(1);
    expect(loads[0]!.parts).toMatchObject([{ lotId: "boar", kind: PINT, count: 8 }]);
    expect(loads[0]!.governing.minutes).toBe(75);
    expect(left[0]!.kg / LB).toBeLessThan(0.06);
  });
  test("2. fish and meat in one load take the fish's 100 minutes", async () => {
    const fish = lot("pike", 4.02, PINT, 1, { product: "fish" });
    const { loads } = await plan([lot("boar", 5.02, PINT, 1), fish], [canner(16)]);
    expect(loads).toHaveLength(1);
    expect(loads[0]!.governing.minutes).toBe(100);
    expect(loads[0]!.governing.why.join(" ")).toContain("longest");
  });
  test("3. pints and quarts in one load take the quart's 90 minutes", async () => {
    const { loads } = await plan([lot("a", 6.02, QUART, 2), lot("b", 4.02, PINT, 1)], [canner(16)]);
    expect(loads).toHaveLength(1);
    expect(loads[0]!.governing.minutes).toBe(90);
  });
  test("4. a weight of 5 + 5 + 5 stands at 15 lb above 1,000 ft, and at 10 below", async () => {
    const at = async (ft: number) =>
      (await plan([lot("a", 4, PINT, 1)], [canner(16)], ft)).loads[0]!.governing.target;
    expect(await at(1001)).toMatchObject({ ok: true, weightPsi: 15 });
    expect(await at(1000)).toMatchObject({ ok: true, weightPsi: 10 });
  });
  test("5. a dial a pound high at 3,200 ft needs 13 on its face: 12 by the table and one more", async () => {
    const { loads } = await plan([lot("a", 4, PINT, 1)], [canner(16, dial(1))], 3200);
    expect(loads[0]!.governing.target).toMatchObject({ truePsi: 12, facePsi: 13 });
  });
  test("6. sixteen pints are two loads of a 16-quart canner, and one of a 23-quart in two layers", async () => {
    const sixteen = [lot("a", 16.02, PINT, 1)];
    expect((await plan(sixteen, [canner(16)])).loads).toHaveLength(2);
    const { loads } = await plan(sixteen, [canner(23)]);
    expect(loads).toHaveLength(1);
    expect(loads[0]!.layers).toHaveLength(2);
    const places = placesOf(canner(23).pot, loads[0]!);
    expect(places.flat()).toHaveLength(16);
  });
  test("7. the manual's 14 pints are the limit though 18 would stand: two loads", async () => {
    const tall = canner(23);
    const { loads } = await plan(
      [lot("a", 16.02, PINT, 1)],
      [{ ...tall, pot: { ...tall.pot, manual: { "jar-pint": 14 } } }],
    );
    expect(loads.map((l) => l.parts[0]!.count).sort()).not.toContain(16);
    expect(loads).toHaveLength(2);
  });
  test("8. five lids for nine pints: five are filled, and 4 lb is said to fill more", async () => {
    const { loads, left, notes } = await plan([lot("a", 9.02, PINT, 1)], [canner(16)], 2300, {
      stock: { containers: { [PINT]: 30 }, lids: { regular: 5, wide: 0 }, ends: {} },
    });
    expect(notes.map((n) => n.reason)).toEqual([
      "Only 5 regular lids are counted, and more would be filled.",
    ]);
    expect(notes[0]!.instead.join(" ")).toContain("Get more regular lids");
    expect(loads[0]!.parts[0]!.count).toBe(5);
    expect(left[0]).toMatchObject({ unserved: true });
    expect(left[0]!.kg / LB).toBeCloseTo(4.02, 1);
  });
  test("9. quarts first and the rest in pints: 7½ lb at 2 lb and 1 lb make 3 quarts and a pint", async () => {
    const mixed: WishLot = { ...lot("a", 7.52, QUART, 2), inOrder: true };
    mixed.into.push({ ...mixed.into[0]!, kind: PINT, kgEach: LB });
    const { loads, left } = await plan([mixed], [canner(16)]);
    const count = (kind: string) =>
      loads
        .flatMap((l) => l.parts)
        .filter((p) => p.kind === kind)
        .reduce((n, p) => n + p.count, 0);
    expect(count(QUART) * 2 + count(PINT)).toBe(7);
    expect(left[0]!.kg / LB).toBeCloseTo(0.52, 1);
    // Seven pints would spare a pint the quart's time, but the household asked for quarts first.
    expect([count(QUART), count(PINT)]).toEqual([3, 1]);
  });
  test("10. one jar in a canner that wants two: one jar of water is missing", async () => {
    const { loads } = await plan([lot("a", 1.3, PINT, 1)], [canner(16)]);
    expect(loads[0]).toMatchObject({ missing: 1 });
    expect(Object.values(loads[0]!.room).reduce((a, b) => a + b, 0)).toBe(8);
  });
});

describe("two canners", () => {
  test("share the loads between them", async () => {
    const { loads } = await plan([lot("a", 27.02, PINT, 1)], [canner(16), canner(21)]);
    expect(loads).toHaveLength(3);
    expect(new Set(loads.map((l) => l.cannerId)).size).toBe(2);
  });
});

describe("what cannot be planned is said, with what would work", () => {
  const said = async (lots: WishLot[], canners: WishCanner[], ft = 2300, more: Partial<PlanWish> = {}) => {
    const { notes, loads } = await plan(lots, canners, ft, more);
    for (const n of notes) expect(n.instead.length).toBeGreaterThan(0);
    return { words: notes.map((n) => n.reason).join(" "), loads };
  };
  test("quart tuna", async () => {
    const { words, loads } = await said([lot("t", 9, QUART, 2, { product: "tuna" })], [canner(16)]);
    expect(words).toContain("no tested process for tuna in a quart");
    expect(loads).toEqual([]);
  });
  test("cans above 1,000 ft", async () => {
    const { words } = await said([lot("f", 3, "can-half-pound", 0.5, { product: "can-fish" })], [canner(16)]);
    expect(words).toContain("above 1,000 ft");
  });
  test("a canner smaller than any jar", async () => {
    const low = canner(16);
    const { words, loads } = await said(
      [lot("a", 9, QUART, 2)],
      [{ ...low, pot: { ...low.pot, usableHeightMm: 120 } }],
    );
    expect(words).toContain("too small");
    expect(loads).toEqual([]);
  });
  test("a gauge never tested, and a dial above 8,000 ft", async () => {
    const untested = canner(16, {
      gauges: { dial: { errorPsi: null, testedAt: null }, weightPiecesPsi: [] },
    });
    expect((await said([lot("a", 4, PINT, 1)], [untested])).words).toContain("never been tested");
    expect((await said([lot("a", 4, PINT, 1)], [canner(16, dial(0))], 8001)).words).toContain(
      "no dial-gauge pressure",
    );
  });
  test("no canner at all, and smoked fish with only a 30-quart one", async () => {
    expect((await said([lot("a", 4, PINT, 1)], [])).words).toContain("no canner");
    const smoked = lot("s", 4, PINT, 1, { product: "fish-smoked" });
    expect((await said([smoked], [canner(30)])).words).toContain("16- to 22-quart");
    expect((await said([smoked], [canner(16)])).loads).toHaveLength(1);
  });
  test("cans and jars at 500 ft go into loads of their own", async () => {
    const cans = lot("f", 3.1, "can-half-pound", 0.5, { product: "can-fish" });
    const { loads } = await plan([cans, lot("a", 3.1, PINT, 1)], [canner(16)], 500);
    expect(loads).toHaveLength(2);
    expect(loads.every((l) => new Set(l.parts.map((p) => p.kind)).size === 1)).toBe(true);
  });
});

describe("what has run out", () => {
  test("no lids, no jars, no ends: each is named; what is not counted is never short", async () => {
    const notesOf = async (kind: string, stock: PlanWish["stock"]) => {
      const product = kind.startsWith("can") ? ("can-fish" as const) : ("red-meat-pieces" as const);
      const { notes } = await plan([lot("a", 4.02, kind, 1, { product })], [canner(16)], 500, { stock });
      return notes.map((n) => n.reason).join(" ");
    };
    const none = { containers: {}, lids: { regular: null, wide: null }, ends: {} };
    expect(await notesOf(PINT, none)).toBe("");
    expect(await notesOf(PINT, { ...none, lids: { regular: 0, wide: 9 } })).toContain(
      "No regular lids are left",
    );
    expect(await notesOf(PINT, { ...none, containers: { [PINT]: 2 } })).toContain("Only 2 pints are counted");
    expect(await notesOf("can-half-pound", { ...none, ends: { "can-half-pound": 0 } })).toContain(
      "No ends for half-pound cans",
    );
  });
});

describe("round what the household has settled", () => {
  const settled = [{ cannerId: "c16", parts: [{ lotId: "a", kind: PINT, count: 4 }] }];
  test("a kept load stays as it is, and the rest is planned round it", async () => {
    const { loads, left } = await plan([lot("a", 9.02, PINT, 1)], [canner(16)], 2300, { settled });
    expect(loads.map((l) => [l.settled, l.parts[0]!.count])).toEqual([
      [true, 4],
      [false, 5],
    ]);
    expect(left[0]!.kg / LB).toBeLessThan(0.06);
  });
  test("what it has taken is not there twice: lids, jars and meat", async () => {
    const { loads } = await plan([lot("a", 9.02, PINT, 1)], [canner(16)], 2300, {
      settled,
      stock: { containers: { [PINT]: 6 }, lids: { regular: null, wide: null }, ends: {} },
    });
    expect(loads.reduce((n, l) => n + l.parts[0]!.count, 0)).toBe(6);
  });
  test("one that no longer fits is let go and said so", async () => {
    const many = [{ cannerId: "c16", parts: [{ lotId: "a", kind: PINT, count: 14 }] }];
    const { notes, loads } = await plan([lot("a", 16.02, PINT, 1)], [canner(16)], 2300, { settled: many });
    expect(notes.map((n) => n.reason).join(" ")).toContain("does not hold all of that");
    expect(loads.every((l) => !l.settled)).toBe(true);
  });
  test("a size kept out of one canner goes into the other", async () => {
    const { loads } = await plan([lot("a", 6.02, PINT, 1)], [canner(16, { without: [PINT] }), canner(21)]);
    expect(loads.map((l) => l.cannerId)).toEqual(["c21"]);
  });
});
