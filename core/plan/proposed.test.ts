import { AS_PUBLISHED } from "../schedule/index.ts";
import fc from "fast-check";
import highsLoader from "highs";
import { beforeAll, describe, expect, test } from "vitest";
import { loadPatterns, type Pot } from "../capacity/index.ts";
import { bruteForce, scoresOfLoads } from "./brute-force.ts";
import { assignLoads, busyMinutes } from "./assign.ts";
import { planLot, usableCanner } from "./usable.ts";
import {
  NotSolved,
  SOLVER_OPTIONS,
  proposeLoads,
  type PlanProblem,
  type PlanWish,
  type Proposal,
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
const PINT = "jar-pint regular";
/** Small pots, so that a few containers make several loads. */
const POTS: readonly Pot[] = [205, 165].map((insideDiameterMm) => ({
  insideDiameterMm,
  usableHeightMm: 185,
  racks: 1,
  rackHeightMm: 5,
  manual: {},
}));

type Into = WishLot["into"][number];
const food = (product: Into["product"], pack: Into["pack"], kind: string): Omit<Into, "kgEach"> => ({
  product,
  pack,
  kind,
});
const FOODS = [
  food("red-meat-pieces", "raw", "jar-half-pint regular"),
  food("red-meat-pieces", "hot", PINT),
  food("red-meat-pieces", "raw", "jar-quart wide"),
  food("fish", "raw", PINT),
  food("fish-smoked", "raw", PINT),
  food("can-game", "raw", "can-half-pound"),
];

const anyLot = fc
  .record({
    into: fc.uniqueArray(fc.tuple(fc.constantFrom(...FOODS), fc.integer({ min: 200, max: 900 })), {
      minLength: 1,
      maxLength: 2,
      selector: ([f]) => f.kind,
    }),
    part: fc.double({ min: 0.3, max: 4.2, noNaN: true }),
    inOrder: fc.boolean(),
  })
  .map(({ into, part, inOrder }): Omit<WishLot, "id"> => ({
    inOrder,
    massKg: Math.floor(Math.max(...into.map(([, g]) => g)) * part) / 1000,
    into: into.map(([f, g]) => ({ ...f, kgEach: g / 1000 })),
  }));

const anyCanner = fc
  .record({
    pot: fc.constantFrom(...POTS),
    quarts: fc.constantFrom(10, 16),
    without: fc.constantFrom<string[]>([], [], [PINT]),
    maxLoads: fc.constantFrom(null, null, 0, 1, 2),
  })
  .map((c): Omit<WishCanner, "id" | "name"> => ({
    ...c,
    gauges: { dial: null, weightPiecesPsi: [5, 5, 5] },
    minLoad: 0,
  }));

const anyWish = fc
  .record({
    lots: fc.array(anyLot, { minLength: 1, maxLength: 3 }),
    canners: fc.array(anyCanner, { minLength: 1, maxLength: 2 }),
    lids: fc.constantFrom(null, null, 2, 4),
    maxLoads: fc.constantFrom(null, null, 1, 3),
  })
  .map(({ lots, canners, lids, maxLoads }): PlanWish => ({
    altitudeM: 200,
    rows: AS_PUBLISHED,
    lots: lots.map((l, i) => ({ ...l, id: `L${i}` })),
    canners: canners.map((c, i) => ({ ...c, id: `C${i}`, name: `canner ${i}` })),
    stock: { containers: {}, lids: { regular: lids, wide: null }, ends: {} },
    settled: [],
    maxLoads,
    signedOverdue: false,
  }))
  .filter(
    (w) => w.lots.reduce((sum, l) => sum + l.massKg / Math.min(...l.into.map((i) => i.kgEach)), 0) <= 6,
  );

/** The wish as a problem with every canner by itself, written apart from how the plan puts like canners together. */
function problemOf(wish: PlanWish): PlanProblem {
  const lots = wish.lots.map((l) => planLot(l, wish, []));
  const kinds = [...new Set(lots.flatMap((l) => l.options.map((o) => o.kind)))];
  const canners = wish.canners
    .map(({ id, pot, quarts, without, maxLoads }) => ({
      id,
      patterns: loadPatterns(pot, kinds),
      takesCool: quarts !== null && quarts >= 16 && quarts <= 22,
      without,
      maxLoads,
    }))
    .filter((c) => c.patterns.length > 0);
  const holds = (c: (typeof canners)[number], kind: string) =>
    !c.without.includes(kind) && c.patterns.some((p) => (p.counts[kind] ?? 0) > 0);
  for (const lot of lots)
    lot.options = lot.options.filter((o) =>
      canners.some((c) => holds(c, o.kind) && (!o.cool || c.takesCool)),
    );
  return { lots, canners, stock: wish.stock, maxLoads: wish.maxLoads };
}

const scoresOf = (problem: PlanProblem, { loads }: Pick<Proposal, "loads">) =>
  scoresOfLoads(
    problem,
    loads.map((l) => ({
      cannerId: l.cannerId,
      portions: l.parts.map(({ lotId, kind, count }) => ({
        lotId,
        count,
        option: problem.lots.find((x) => x.id === lotId)!.options.findIndex((o) => o.kind === kind),
      })),
    })),
  );

const busiestOf = (loads: Proposal["loads"]) => {
  const busy = new Map<string, number>();
  for (const l of loads) busy.set(l.cannerId, (busy.get(l.cannerId) ?? 0) + busyMinutes(l));
  return Math.max(0, ...busy.values());
};

/** The least the busiest canner can be busy, and the fewest places left then, by trying every canner for every load. */
function bestAssignment(problem: PlanProblem, wish: PlanWish, { loads }: Proposal): [number, number] {
  let best: [number, number] = [Infinity, Infinity];
  const walk = (i: number, sofar: Proposal["loads"]) => {
    const load = loads[i];
    if (load) {
      for (const { id, maxLoads } of wish.canners)
        if (sofar.filter((l) => l.cannerId === id).length < (maxLoads ?? Infinity))
          walk(i + 1, [...sofar, { ...load, cannerId: id }]);
      return;
    }
    let empty: number;
    try {
      ({ empty } = scoresOf(problem, { loads: sofar }));
    } catch {
      // A canner that does not take one of them.
      return;
    }
    const busiest = busiestOf(sofar);
    if (busiest < best[0] || (busiest === best[0] && empty < best[1])) best = [busiest, empty];
  };
  walk(0, []);
  return best;
}

const RUNS = Number(process.env["PLANS"] ?? 120);

describe("loads as they are proposed, each in its canner", () => {
  test("no plan does better, counted container by container, and no canner runs more than it may", async () => {
    await fc.assert(
      fc.asyncProperty(anyWish, async (wish) => {
        const proposal = await proposeLoads(wish, NOW, solver);
        const problem = problemOf(wish);
        const best = bruteForce(problem);
        expect(proposal.scores).toEqual(best);
        // In which canner a load runs is settled by itself: the busiest is done first, then the fewest places are left.
        const { empty, ...scores } = scoresOf(problem, proposal);
        const { empty: _, ...others } = best;
        expect(scores).toEqual(others);
        expect([busiestOf(proposal.loads), empty]).toEqual(bestAssignment(problem, wish, proposal));
        for (const c of wish.canners)
          expect(proposal.loads.filter((l) => l.cannerId === c.id).length).toBeLessThanOrEqual(
            c.maxLoads ?? Infinity,
          );
        // Nothing is dropped silently: what is in no load is left, to the gram.
        for (const [i, { id, massKg }] of wish.lots.entries()) {
          const packed = proposal.loads
            .flatMap((l) => l.parts)
            .filter((p) => p.lotId === id)
            .reduce((sum, p) => sum + p.count * p.kgEach, 0);
          expect(packed + proposal.left[i]!.kg).toBeCloseTo(massKg, 6);
        }
      }),
      { numRuns: RUNS },
    );
  }, 240_000);

  test("what is settled counts against a canner's own limit, and against the loads in all", async () => {
    const wish = (more: Partial<PlanWish>): PlanWish => ({
      altitudeM: 200,
      rows: AS_PUBLISHED,
      lots: [{ id: "L", massKg: 4, into: [{ ...food("red-meat-pieces", "raw", PINT), kgEach: 0.45 }] }],
      canners: [
        {
          id: "C",
          name: "C",
          quarts: 16,
          gauges: { dial: null, weightPiecesPsi: [5, 5, 5] },
          pot: POTS[0]!,
          minLoad: 0,
          without: [],
          maxLoads: 2,
        },
      ],
      stock: { containers: {}, lids: { regular: null, wide: null }, ends: {} },
      settled: [{ cannerId: "C", parts: [{ lotId: "L", kind: PINT, count: 1 }] }],
      maxLoads: null,
      signedOverdue: false,
      ...more,
    });
    const limited = await proposeLoads(wish({}), NOW, solver);
    expect(limited.loads).toHaveLength(2);
    expect(limited.left[0]!.unserved).toBe(true);
    const inAll = await proposeLoads(wish({ maxLoads: 1 }), NOW, solver);
    expect(inAll.loads.map((l) => l.settled)).toEqual([true]);
  });

  test("a load without a canner, or a solver that finds none in its time, is no plan and no crash", async () => {
    const [pints] = FOODS.filter((f) => f.kind === PINT && f.product === "fish");
    const lot = { id: "L", massKg: 1, into: [{ ...pints!, kgEach: 0.45 }] };
    const canner = { quarts: 16, pot: POTS[0]!, gauges: { dial: null, weightPiecesPsi: [5, 5, 5] } };
    const wish: PlanWish = {
      altitudeM: 200,
      rows: AS_PUBLISHED,
      lots: [lot],
      canners: ["A", "B"].map((id) => ({ ...canner, id, name: id, minLoad: 0, without: [], maxLoads: null })),
      stock: { containers: {}, lids: { regular: null, wide: null }, ends: {} },
      settled: [],
      maxLoads: null,
      signedOverdue: false,
    };
    const lots = [planLot(lot, wish, [])];
    const { loads } = await proposeLoads(wish, NOW, solver);
    const silent: Solver = () => ({ Status: "Time limit reached", Columns: {} });
    const assigned = (canners: Parameters<typeof assignLoads>[2], by: Solver) =>
      assignLoads([loads[0]!.parts], lots, canners, [], wish, NOW, by, 1);
    const usable = wish.canners.flatMap((c) => usableCanner(c, wish, NOW, lots, []));
    expect(await assigned(usable, solver)).toHaveLength(1);
    await expect(assigned([], solver)).rejects.toThrow(NotSolved);
    await expect(assigned(usable, silent)).rejects.toThrow(NotSolved);
  });

  test("two canners that are alike are both used before one of them runs twice", async () => {
    const canner = { quarts: 16, pot: POTS[0]!, gauges: { dial: null, weightPiecesPsi: [5, 5, 5] } };
    const { loads } = await proposeLoads(
      {
        altitudeM: 200,
        rows: AS_PUBLISHED,
        lots: [{ id: "L", massKg: 2.71, into: [{ ...food("red-meat-pieces", "raw", PINT), kgEach: 0.45 }] }],
        canners: ["A", "B"].map((id) => ({
          ...canner,
          id,
          name: id,
          minLoad: 0,
          without: [],
          maxLoads: null,
        })),
        stock: { containers: {}, lids: { regular: null, wide: null }, ends: {} },
        settled: [],
        maxLoads: null,
        signedOverdue: false,
      },
      NOW,
      solver,
    );
    expect(new Set(loads.map((l) => l.cannerId)).size).toBe(Math.min(2, loads.length));
    expect(loads.length).toBeGreaterThan(1);
  });
});
