import { minimized, sumOf, type Row, type Solver, type Terms, type Values, type Variable } from "./linear.ts";
import { programmeOf, type Group, type Programme } from "./programme.ts";
import { leftSteps, type LotFill } from "./fill.ts";
import { OBJECTIVES, type Objective, type PlanProblem, type Portion, type Scores } from "./problem.ts";

/** What HiGHS is asked for: the very best, not something within a hundredth of a per cent of it. */
export const SOLVER_OPTIONS = {
  mip_rel_gap: 0,
  mip_abs_gap: 0,
  random_seed: 7,
  mip_detect_symmetry: false,
  mip_allow_restart: false,
  mip_heuristic_effort: 0.2,
} as const;

/** Loads of one group: how often each pattern of its canner, and how many of each class. */
export interface GroupLoads {
  group: Group;
  /** pattern index → loads */
  patterns: Map<number, number>;
  /** class index → containers */
  classes: Map<number, number>;
}

export interface Solved {
  scores: Scores;
  /** which of the scores are proven: no plan equal in all before it does better */
  proven: Objective[];
  portions: Portion[];
  groups: GroupLoads[];
  programme: Programme;
}

/** The solver found no plan at all in the time it was given. */
export class NotSolved extends Error {}

/**
 * Returns the best plan by each objective in turn: once one is settled it becomes a condition, and the next is
 * minimized among the plans that are as good. Every answer is checked in whole numbers.
 *
 * @param seconds for each objective, > 0; one that takes longer keeps the best plan found and is not named as proven
 * @throws NotSolved when the first objective has no plan in that time
 */
export async function solvePlan(problem: PlanProblem, solver: Solver, seconds = 10): Promise<Solved> {
  // Mostly everything can be filled as wished; then the first three objectives are one question.
  let programme = programmeOf(problem, true);
  const settled: Row[] = [];
  let values: Values = new Map();
  const proven: Objective[] = [];
  let provable = true;
  const seek = (objective: Terms) => minimized(programme, objective, settled, solver, seconds);
  const settle = (objective: Objective, optimal: boolean) => {
    const terms = programme.objectives[objective];
    settled.push({ terms, sense: "<=", bound: sumOf(terms, values) });
    provable &&= optimal;
    if (provable) proven.push(objective);
    if (objective === "loads") atMostLoads(programme, sumOf(terms, values));
  };
  if (programme.containers.some((c) => c.length > 0)) {
    const whole = await seek(programme.objectives.loads);
    if (whole.found) {
      values = whole.found;
      settle("unserved", true);
      settle("strayed", true);
      settle("loads", whole.optimal);
    } else programme = programmeOf(problem);
    for (const objective of OBJECTIVES.slice(whole.found ? 3 : 0)) {
      const least = leastPossible(programme, objective, !whole.found);
      if (values.size > 0 && sumOf(programme.objectives[objective], values) === least) {
        settle(objective, true);
        continue;
      }
      const { optimal, found } = await seek(programme.objectives[objective]);
      if (!found && values.size === 0) throw new NotSolved("no plan was found in the time given");
      values = found ?? values;
      settle(objective, optimal);
    }
  }
  const scores = Object.fromEntries(
    OBJECTIVES.map((o) => [o, sumOf(programme.objectives[o], values)]),
  ) as Scores;
  return { scores, proven, ...read(problem, programme, values), programme };
}

/** No group has more loads than the whole plan: said of each, it spares the solver most of its search. */
function atMostLoads(programme: Programme, loads: number): void {
  for (const group of programme.loads) for (const v of group.values()) v.most = Math.min(v.most, loads);
}

/** What no plan goes below, seen without solving: each lot filled in its own best way, and nothing empty or unlike. */
function leastPossible({ fills }: Programme, objective: Objective, unserved: boolean): number {
  const best = (of: (fill: LotFill) => number) =>
    fills.reduce((sum, ways) => sum + (ways.length > 0 ? Math.min(...ways.map(of)) : 0), 0);
  if (objective === "left") return best((f) => leftSteps(f.leftG));
  // With meat left unserved there may be fewer containers than any full way has, and none is known before.
  if (objective === "containers" && !unserved) return best((f) => f.counts.reduce((a, b) => a + b, 0));
  return 0;
}

function read(
  problem: PlanProblem,
  programme: Programme,
  values: Values,
): Pick<Solved, "portions" | "groups"> {
  const portions = problem.lots.flatMap((lot, l) =>
    lot.options
      .map((_, option) => ({
        lotId: lot.id,
        option,
        count: values.get(programme.containers[l]![option]!) ?? 0,
      }))
      .filter((p) => p.count > 0),
  );
  const counted = (variables: Iterable<readonly [number, Variable]>) =>
    new Map([...variables].map(([k, v]) => [k, values.get(v) ?? 0] as const).filter(([, n]) => n > 0));
  const groups = programme.groups
    .map((group, g) => ({
      group,
      patterns: counted(programme.loads[g]!),
      classes: counted(group.takes.map((c) => [c, programme.inGroup[c]!.get(g)!] as const)),
    }))
    .filter((g) => g.patterns.size > 0);
  return { portions, groups };
}

/**
 * Returns a number below 0, 0 or above 0: whether one plan is better than, as good as or worse than another, by the
 * objectives in order.
 */
export function compareScores(a: Scores, b: Scores): number {
  const differs = OBJECTIVES.find((o) => a[o] !== b[o]);
  return differs ? a[differs] - b[differs] : 0;
}
