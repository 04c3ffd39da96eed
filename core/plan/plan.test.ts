import fc from "fast-check";
import highsLoader from "highs";
import { beforeAll, describe, expect, test } from "vitest";
import { loadPatterns, presetFor, type Pot } from "../capacity/index.ts";
import { bruteForce } from "./brute-force.ts";
import {
  OBJECTIVES,
  SOLVER_OPTIONS,
  compareScores,
  countsOf,
  leftSteps,
  loadsOf,
  lotFills,
  solvePlan,
  type LotOption,
  type PlanLot,
  type PlanProblem,
  type Solver,
} from "./index.ts";

let solver: Solver;
beforeAll(async () => {
  const highs = await highsLoader();
  solver = (lp, seconds) => highs.solve(lp, { ...SOLVER_OPTIONS, time_limit: seconds });
});

const KINDS = ["jar-half-pint regular", "jar-pint regular", "jar-quart wide", "can-half-pound"] as const;
/** A small pot, so that a few containers make several loads. */
const tiny: Pot = { insideDiameterMm: 205, usableHeightMm: 185, racks: 1, rackHeightMm: 5, manual: {} };
const small: Pot = { ...tiny, insideDiameterMm: 165 };

const option = (
  kind: string,
  gramsEach: number,
  minutes: number,
  more: Partial<LotOption> = {},
): LotOption => ({
  product: "red-meat-pieces",
  pack: "raw",
  kind,
  gramsEach,
  minutes,
  cool: false,
  ...more,
});

const problemOf = (lots: PlanLot[], pots: readonly Pot[], more: Partial<PlanProblem> = {}): PlanProblem => ({
  lots,
  canners: pots.map((pot, i) => ({
    id: `C${i}`,
    patterns: loadPatterns(pot, [...new Set(lots.flatMap((l) => l.options.map((o) => o.kind)))]),
    takesCool: true,
    without: [],
    maxLoads: null,
  })),
  stock: { containers: {}, lids: { regular: null, wide: null }, ends: {} },
  maxLoads: null,
  ...more,
});

const anyOption = fc.record({
  kind: fc.constantFrom(...KINDS),
  gramsEach: fc.integer({ min: 200, max: 900 }),
  minutes: fc.constantFrom(75, 90, 100),
  pack: fc.constantFrom("raw" as const, "hot" as const),
  cool: fc.integer({ min: 0, max: 7 }).map((n) => n === 0),
});

const anyLot = fc
  .record({
    options: fc.uniqueArray(anyOption, { minLength: 1, maxLength: 2, selector: (o) => o.kind }),
    part: fc.double({ min: 0.2, max: 4.2, noNaN: true }),
    inOrder: fc.boolean(),
  })
  .map(({ options, part, inOrder }): PlanLot => ({
    id: "",
    inOrder,
    grams: Math.floor(Math.max(...options.map((o) => o.gramsEach)) * part),
    // Smoked fish has a raw pack only, and jars.
    options: options.map((o) =>
      option(
        o.kind,
        o.gramsEach,
        o.minutes,
        o.cool && !o.kind.startsWith("can") ? { cool: true } : { pack: o.pack },
      ),
    ),
  }));

const count = fc.option(fc.integer({ min: 0, max: 5 }), { nil: null });

/** Loads one canner may run: mostly as many as needed. */
const limit = fc.constantFrom(null, null, 0, 1, 2);

/** A few lots, one or two small canners, perhaps too few lids: small enough to try everything. */
const anyLarder = fc
  .record({
    lots: fc.array(anyLot, { minLength: 1, maxLength: 3 }),
    pots: fc.constantFrom([tiny], [small], [tiny, small]),
    regular: count,
    wide: count,
    pints: count,
    maxLoads: fc.option(fc.integer({ min: 1, max: 3 }), { nil: null }),
    most: fc.tuple(limit, limit),
  })
  .map(({ lots, pots, regular, wide, pints, maxLoads, most }) => {
    const problem = problemOf(
      lots.map((l, i) => ({ ...l, id: `L${i}` })),
      pots,
      {
        stock: { containers: { "jar-pint regular": pints }, lids: { regular, wide }, ends: {} },
        maxLoads,
      },
    );
    const canners = problem.canners.map((c, i) => ({ ...c, maxLoads: most[i]! }));
    return { ...problem, canners };
  })
  .filter(
    (p) => p.lots.reduce((sum, l) => sum + l.grams / Math.min(...l.options.map((o) => o.gramsEach)), 0) <= 7,
  );

describe("held against trying everything", () => {
  // Brute force is written apart (brute-force.ts) and shares only the list of ways to fill a lot.
  test("on 220 random small larders: never worse, and every score proven", async () => {
    await fc.assert(
      fc.asyncProperty(anyLarder, async (problem) => {
        const solved = await solvePlan(problem, solver);
        expect(solved.scores).toEqual(bruteForce(problem));
        expect(solved.proven).toEqual(OBJECTIVES);
      }),
      { numRuns: 220 },
    );
  }, 120_000);
  test("and the loads made from it can be loaded: room, stock, weight, and what may not share a run", async () => {
    await fc.assert(
      fc.asyncProperty(anyLarder, async (problem) => {
        const solved = await solvePlan(problem, solver);
        const loads = loadsOf(problem, solved);
        expect(loads).toHaveLength(solved.scores.loads);
        for (const load of loads) {
          const counts = countsOf(problem, load.portions);
          for (const [kind, n] of Object.entries(counts))
            expect(n).toBeLessThanOrEqual(load.pattern.counts[kind] ?? 0);
          const options = load.portions.map(
            (p) => problem.lots.find((l) => l.id === p.lotId)!.options[p.option]!,
          );
          if (options.some((o) => o.cool)) expect(options.every((o) => o.pack === "raw")).toBe(true);
          expect(new Set(options.map((o) => o.kind.startsWith("can"))).size).toBe(1);
        }
        for (const lot of problem.lots) {
          const packed = loads
            .flatMap((l) => l.portions)
            .filter((p) => p.lotId === lot.id)
            .reduce((sum, p) => sum + p.count * lot.options[p.option]!.gramsEach, 0);
          expect(packed).toBeLessThanOrEqual(lot.grams);
        }
        const pints = loads
          .flatMap((l) => l.portions)
          .filter(
            (p) => problem.lots.find((l) => l.id === p.lotId)!.options[p.option]!.kind === "jar-pint regular",
          );
        expect(pints.reduce((sum, p) => sum + p.count, 0)).toBeLessThanOrEqual(
          problem.stock.containers["jar-pint regular"] ?? Infinity,
        );
      }),
      { numRuns: 60 },
    );
  }, 60_000);
});

describe("worked by hand", () => {
  const pint = (grams: number, id = "boar"): PlanLot => ({
    id,
    grams,
    options: [option("jar-pint regular", 460, 75)],
  });
  const sixteen = { ...presetFor(16), manual: {} };
  // 7,360 g at 460 g make 16 pints; nine stand in a 16-quart canner, so two loads, one of them with two places left.
  test("7.4 kg of boar: 16 pints, 2 loads, 2 places empty, 40 g left, which is less than a step", async () => {
    const { scores } = await solvePlan(problemOf([pint(7400)], [sixteen]), solver);
    expect(scores).toEqual({
      unserved: 0,
      strayed: 0,
      loads: 2,
      left: 0,
      unlike: 0,
      empty: 2,
      containers: 16,
    });
  });
  test("what is left is counted in steps of 50 g, from below", () => {
    expect([0, 49, 50, 99, 100].map(leftSteps)).toEqual([0, 0, 1, 1, 2]);
    expect(lotFills(pint(1000))).toEqual([{ counts: [2], leftG: 80 }]);
  });
  // Five lids for 16 pints: eleven containers of 460 g cannot be filled.
  test("five lids: one load of five, and 5,060 g that would fill jars", async () => {
    const problem = problemOf([pint(7400)], [sixteen]);
    problem.stock.lids.regular = 5;
    const { scores } = await solvePlan(problem, solver);
    expect([scores.unserved, scores.loads, scores.containers]).toEqual([11 * 460, 1, 5]);
  });
  test("at most one load: nine pints, and the rest is said to be unserved", async () => {
    const { scores } = await solvePlan(problemOf([pint(7400)], [sixteen], { maxLoads: 1 }), solver);
    expect([scores.unserved, scores.loads]).toEqual([7 * 460, 1]);
  });
  // Nine pints of meat (75) and three of fish (100): twelve pints are two loads either way; fish by itself lets all the meat keep its time.
  test("fish goes by itself when a second load is needed anyhow", async () => {
    const fish: PlanLot = {
      id: "pike",
      grams: 1400,
      options: [option("jar-pint regular", 460, 100, { product: "fish" })],
    };
    const solved = await solvePlan(problemOf([pint(9 * 460), fish], [sixteen]), solver);
    expect([solved.scores.loads, solved.scores.unlike]).toEqual([2, 0]);
    expect(
      loadsOf(problemOf([pint(9 * 460), fish], [sixteen]), solved).map(
        (l) => new Set(l.portions.map((p) => p.lotId)).size,
      ),
    ).toEqual([1, 1]);
  });
  test("six pints of meat share the fish's load rather than take another", async () => {
    const fish: PlanLot = {
      id: "pike",
      grams: 1400,
      options: [option("jar-pint regular", 460, 100, { product: "fish" })],
    };
    const { scores } = await solvePlan(problemOf([pint(6 * 460), fish], [sixteen]), solver);
    expect([scores.loads, scores.unlike]).toEqual([1, 6]);
  });
  test("smoked fish and a hot pack never share, even at the cost of a load", async () => {
    const smoked: PlanLot = {
      id: "s",
      grams: 1000,
      options: [option("jar-pint regular", 460, 110, { product: "fish-smoked", cool: true })],
    };
    const hot: PlanLot = {
      id: "h",
      grams: 1000,
      options: [option("jar-pint regular", 460, 75, { pack: "hot" })],
    };
    expect((await solvePlan(problemOf([smoked, hot], [sixteen]), solver)).scores.loads).toBe(2);
    const raw: PlanLot = { ...hot, options: hot.options.map((o) => ({ ...o, pack: "raw" })) };
    expect((await solvePlan(problemOf([smoked, raw], [sixteen]), solver)).scores.loads).toBe(1);
  });
  test("nothing to plan is a plan of no loads", async () => {
    expect((await solvePlan(problemOf([], [sixteen]), solver)).scores.loads).toBe(0);
    expect((await solvePlan(problemOf([pint(300)], [sixteen]), solver)).scores).toMatchObject({
      loads: 0,
      left: 6,
    });
  });
  test("scores are compared in their order: one load less outweighs any left-over", () => {
    const a = { unserved: 0, strayed: 0, loads: 1, left: 40, unlike: 9, empty: 9, containers: 9 };
    expect(compareScores(a, { ...a, loads: 2, left: 0, unlike: 0, empty: 0 })).toBeLessThan(0);
    expect(compareScores(a, { ...a })).toBe(0);
  });
});
