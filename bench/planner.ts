/** The planner on a household's worth: eight lots, five kinds of container, two canners. */
import { AS_PUBLISHED } from "#core/schedule";
import highsLoader from "highs";
import { loadPatterns, presetFor } from "#core/capacity";
import { SOLVER_OPTIONS, proposeLoads, type PlanWish, type Solver } from "#core/plan";
import { mFromFt } from "#core/quantity";

const KG: Record<string, number> = {
  "jar-half-pint regular": 0.213,
  "jar-pint regular": 0.463,
  "jar-pint wide": 0.44,
  "jar-quart regular": 0.965,
  "jar-quart wide": 0.93,
};
const KINDS = Object.keys(KG);
const MASSES = [7.63, 10.44, 6.42, 2.89, 3.17, 4.46, 5.15, 8.21];

/** A mixed dish takes about a third of a jar of meat by its recipe; broth fills it. */
const DISHES = {
  3: { product: "soup", share: 0.3 },
  6: { product: "stewed-meat", share: 0.4 },
  7: { product: "broth", share: 1 },
} as const;

/**
 * Every lot goes into one size, two of them with a second for what it leaves; two lots are fish. With dishes, one lot goes
 * into a soup, one into a stew, and one is broth.
 */
function household(turn: number, withDishes: boolean): PlanWish {
  const into = (kind: string, i: number) => {
    const dish = withDishes && DISHES[i as keyof typeof DISHES];
    if (dish) return { kind, kgEach: KG[kind]! * dish.share, product: dish.product, pack: "hot" as const };
    const fish = i === 2 || i === 5;
    return {
      kind,
      kgEach: KG[kind]!,
      product: fish ? ("fish" as const) : ("red-meat-pieces" as const),
      pack: "raw" as const,
    };
  };
  return {
    altitudeM: mFromFt(2300),
    rows: AS_PUBLISHED,
    lots: MASSES.map((massKg, i) => {
      const main = KINDS[1 + ((i + turn) % 4)]!;
      return {
        id: `lot ${i}`,
        // A little different each time, so that nothing is answered from memory.
        massKg: massKg + turn / 100,
        into: i % 4 === 0 ? [into(main, i), into("jar-half-pint regular", i)] : [into(main, i)],
        inOrder: true,
      };
    }),
    canners: [21, 16].map((quarts) => ({
      id: `${quarts}`,
      name: `${quarts}-quart`,
      quarts,
      gauges: { dial: null, weightPiecesPsi: [5, 5, 5] },
      pot: { ...presetFor(quarts), manual: {} },
      minLoad: 2,
      without: [],
      maxLoads: null,
    })),
    stock: { containers: {}, lids: { regular: null, wide: null }, ends: {} },
    settled: [],
    maxLoads: null,
    signedOverdue: false,
  };
}

export interface PlannerFigures {
  /** medians, ms */
  whole: number;
  solver: number;
  /** slowest of all, ms */
  worst: number;
  /** how many of the plans were proven in everything they are judged by */
  proven: number;
  plans: number;
  /** ms to list the ways to fill the two canners, before any is remembered */
  patterns: number;
}

/**
 * Plans households one after another and times them, with the solver's own time beside the whole.
 *
 * @param withDishes some of the lots go into mixed dishes and broth
 */
export async function planHouseholds(plans: number, withDishes = false): Promise<PlannerFigures> {
  const highs = await highsLoader();
  let inSolver = 0;
  const solver: Solver = (lp, seconds) => {
    const began = performance.now();
    const answer = highs.solve(lp, { ...SOLVER_OPTIONS, time_limit: seconds });
    inSolver += performance.now() - began;
    return answer;
  };
  const began = performance.now();
  for (const quarts of [21, 16]) loadPatterns({ ...presetFor(quarts), manual: {} }, KINDS);
  const patterns = performance.now() - began;
  await proposeLoads(household(99, withDishes), Date.now(), solver);
  const figures: { whole: number; solver: number; proven: boolean }[] = [];
  for (let turn = 0; turn < plans; turn++) {
    inSolver = 0;
    const start = performance.now();
    const proposal = await proposeLoads(household(turn, withDishes), Date.now(), solver);
    figures.push({
      whole: performance.now() - start,
      solver: inSolver,
      proven: proposal.proven.includes("containers"),
    });
  }
  const middle = (of: (f: (typeof figures)[number]) => number) =>
    figures.map(of).sort((a, b) => a - b)[Math.floor(plans / 2)]!;
  return {
    whole: middle((f) => f.whole),
    solver: middle((f) => f.solver),
    worst: Math.max(...figures.map((f) => f.whole)),
    proven: figures.filter((f) => f.proven).length,
    plans,
    patterns,
  };
}
