import { loadsOf } from "./loads.ts";
import { assignLoads } from "./assign.ts";
import type { PlanLot, PlanProblem, Portion } from "./problem.ts";
import { shortages } from "./shortage.ts";
import { settledLoad, withoutSettled } from "./settled.ts";
import type { Solver } from "./linear.ts";
import { solvePlan } from "./solve.ts";
import { cannerPools, planLot, usableCanner, whatFitsNowhere } from "./usable.ts";
import type { LeftOver, PlanProblemNote, PlanWish, Proposal, ProposedLoad, ProposedPart } from "./wish.ts";

/**
 * Returns loads for what is wished: the fewest that hold it, each with its canner, layers and governing scheduled
 * process; what is left over, and notes on what has no tested process or no canner that holds it.
 *
 * @param wish weights in kg, altitude in m
 * @param now ms since 1970 UTC, for the gauges' tests
 * @param solver of integer programs
 * @param seconds the solver may take for each objective, > 0
 * @throws NotSolved when no plan at all was found in that time
 */
export async function proposeLoads(
  wish: PlanWish,
  now: number,
  solver: Solver,
  seconds = 10,
): Promise<Proposal> {
  const notes: PlanProblemNote[] = [];
  const lots = wish.lots.map((lot) => planLot(lot, wish, notes));
  const usable = wish.canners.flatMap((c) => usableCanner(c, wish, now, lots, notes));
  const settled = wish.settled.flatMap((s, i) => settledLoad(s, i, wish, lots, usable, now, notes));
  const rest = withoutSettled(lots, wish.stock, settled);
  whatFitsNowhere(rest.lots, usable, notes);
  const canners = cannerPools(usable, (id) => settled.filter((l) => l.cannerId === id).length);
  const problem: PlanProblem = {
    ...rest,
    canners,
    maxLoads: wish.maxLoads === null ? null : Math.max(0, wish.maxLoads - settled.length),
  };
  const solved = await solvePlan(problem, solver, seconds);
  const filled = loadsOf(problem, solved)
    .map((l) => l.portions.map((p) => partOf(p, rest.lots)))
    .sort((a, b) => longest(b) - longest(a));
  const loads = await assignLoads(filled, rest.lots, usable, settled, wish, now, solver, seconds);
  const all = [...settled, ...loads];
  const left = leftOvers(wish, lots, all);
  return {
    loads: all,
    left,
    notes: [...notes, ...shortages(wish, all, left)],
    scores: solved.scores,
    proven: solved.proven,
  };
}
const longest = (parts: readonly ProposedPart[]) => Math.max(...parts.map((p) => p.minutes));

function partOf({ lotId, option, count }: Portion, lots: readonly PlanLot[]): ProposedPart {
  const { kind, product, pack, gramsEach, minutes } = lots.find((l) => l.id === lotId)!.options[option]!;
  return { lotId, kind, count, product, pack, kgEach: gramsEach / 1000, minutes };
}

function leftOvers(wish: PlanWish, lots: PlanLot[], loads: ProposedLoad[]): LeftOver[] {
  return wish.lots.map((lot) => {
    const packed = loads
      .flatMap((l) => l.parts)
      .filter((p) => p.lotId === lot.id)
      .reduce((sum, p) => sum + p.count * p.kgEach, 0);
    const kg = Math.max(0, lot.massKg - packed);
    const options = lots.find((l) => l.id === lot.id)!.options;
    const unserved = options.length === 0 || kg >= Math.min(...options.map((o) => o.gramsEach)) / 1000;
    return { lotId: lot.id, kg, unserved };
  });
}
