import { minimized, sumOf, type Row, type Solver, type Values, type Variable } from "./linear.ts";
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
  const course = new Course(problem, solver, seconds);
  if (course.programme.containers.some((c) => c.length > 0)) {
    const rest = await course.asWished();
    for (const objective of rest) {
      if (objective === "unlike") await course.byTimes();
      if (!course.isSettled(objective)) await course.seek(objective);
    }
  }
  const { programme, values, proven } = course;
  const scores = Object.fromEntries(
    OBJECTIVES.map((o) => [o, sumOf(programme.objectives[o], values)]),
  ) as Scores;
  return { scores, proven, ...read(problem, programme, values), programme };
}

/** One objective after another: what is settled becomes a condition of all that follows. */
class Course {
  programme: Programme;
  values: Values = new Map();
  readonly proven: Objective[] = [];
  private settled: Row[] = [];
  private bounds = new Map<Objective, number>();
  private provable = true;
  private wholeAsWished = true;

  constructor(
    private readonly problem: PlanProblem,
    private readonly solver: Solver,
    private readonly seconds: number,
  ) {
    this.programme = programmeOf(problem, true, true);
  }

  /** Mostly everything can be filled as wished; then the first three objectives are one question. Returns those still open. */
  async asWished(): Promise<readonly Objective[]> {
    const { optimal, found } = await this.ask("loads");
    if (!found) {
      this.wholeAsWished = false;
      this.programme = programmeOf(this.problem, false, true);
      return OBJECTIVES;
    }
    this.values = found;
    this.settle("unserved", true);
    this.settle("strayed", true);
    this.settle("loads", optimal);
    return OBJECTIVES.slice(3);
  }

  /**
   * Goes on by the program that tells times apart, with all that is settled. What came before does not hang on times, and
   * was found faster without them. Where the larger program shows no plan in its time, the smaller one's stands.
   */
  async byTimes(): Promise<void> {
    const full = programmeOf(this.problem, this.wholeAsWished);
    const settled = [...this.bounds].map(([o, bound]): Row => ({
      terms: full.objectives[o],
      sense: "<=",
      bound,
    }));
    atMostLoads(full, this.bounds.get("loads") ?? Infinity);
    const { optimal, found } = await minimized(
      full,
      full.objectives.unlike,
      settled,
      this.solver,
      this.seconds,
    );
    if (!found) {
      this.provable = false;
      return;
    }
    [this.programme, this.settled, this.values] = [full, settled, found];
    this.settle("unlike", optimal);
  }

  isSettled(objective: Objective): boolean {
    return this.bounds.has(objective);
  }

  /** @throws NotSolved when no plan at all is known yet and none is found */
  async seek(objective: Objective): Promise<void> {
    const least = leastPossible(this.programme, objective, !this.wholeAsWished);
    if (this.values.size > 0 && sumOf(this.programme.objectives[objective], this.values) === least) {
      this.settle(objective, true);
      return;
    }
    const { optimal, found } = await this.ask(objective);
    if (!found && this.values.size === 0) throw new NotSolved("no plan was found in the time given");
    this.values = found ?? this.values;
    this.settle(objective, optimal);
  }

  private ask(objective: Objective) {
    const { programme, settled, solver, seconds } = this;
    return minimized(programme, programme.objectives[objective], settled, solver, seconds);
  }

  private settle(objective: Objective, optimal: boolean): void {
    const terms = this.programme.objectives[objective];
    const bound = sumOf(terms, this.values);
    this.settled.push({ terms, sense: "<=", bound });
    this.bounds.set(objective, bound);
    this.provable &&= optimal;
    if (this.provable) this.proven.push(objective);
    if (objective === "loads") atMostLoads(this.programme, bound);
  }
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
