import { containerOf, type LoadPattern } from "../capacity/index.ts";
import { isCan } from "../schedule/index.ts";
import { leftSteps, lotFills, strayed, type LotFill } from "./fill.ts";
import { ProgrammeBuilder, each, type Linear, type Terms, type Variable } from "./linear.ts";
import { OBJECTIVES, type Objective, type PlanLot, type PlanProblem } from "./problem.ts";

/** The planning problem as an integer program, and what its variables stand for. */
export interface Programme extends Linear {
  objectives: Record<Objective, Terms>;
  groups: Group[];
  classes: Class[];
  /** ways to fill each lot */
  fills: LotFill[][];
  /** containers of each lot by each of its options */
  containers: Variable[][];
  /** containers of each class in each group that takes it, by group */
  inGroup: Map<number, Variable>[];
  /** loads of each group, by pattern of its canner */
  loads: Map<number, Variable>[];
}

/** Containers that are alike to a canner: of one kind, with one time, cool or hot. */
export interface Class {
  kind: string;
  minutes: number;
  cool: boolean;
  hot: boolean;
  /** lot and option of each portion that belongs to it */
  members: { lot: number; option: number }[];
}

/** Loads of one canner that are run for the same minutes in the same way. Loads of a group are interchangeable. */
export interface Group {
  canner: number;
  minutes: number;
  cool: boolean;
  cans: boolean;
  /** indices of classes that may go into it */
  takes: number[];
}

const cans = (kind: string) => isCan(containerOf(kind));

class Builder extends ProgrammeBuilder {
  readonly objectives = Object.fromEntries(OBJECTIVES.map((o) => [o, new Map()])) as Record<Objective, Terms>;

  cost(objective: Objective, v: Variable, by: number): void {
    const terms = this.objectives[objective];
    terms.set(v, (terms.get(v) ?? 0) + by);
  }
}

/**
 * Returns the planning problem as an integer program, exact in whole grams and whole containers.
 *
 * Each lot takes one of the ways to fill it, less what cannot be filled after all. Loads of one canner with one time
 * are counted together, which keeps the program small. A group's time is at least that of everything in it.
 * @param asWished only plans that fill everything by the household's first choice, which is smaller and mostly
 *   possible
 * @param oneTime every load as long as the longest of what may go into it: much smaller, and as good for whatever does
 *   not hang on times
 */
export function programmeOf(problem: PlanProblem, asWished = false, oneTime = false): Programme {
  const build = new Builder();
  const fills = problem.lots.map((lot) => {
    const ways = lot.options.length > 0 ? lotFills(lot) : [];
    return asWished ? ways.filter((fill) => strayed(lot, fill) === 0) : ways;
  });
  const containers = problem.lots.map((lot, l) => lotRows(build, lot, fills[l]!, asWished));
  const classes = classesOf(problem);
  const groups = groupsOf(problem, classes, oneTime);
  const filled = classes.map((k) => k.members.map((m) => containers[m.lot]![m.option]!));
  const mostOf = (c: number) => filled[c]!.reduce((sum, v) => sum + v.most, 0);
  const inGroup = classes.map((_, c) => {
    const into = [...groups.keys()].filter((g) => groups[g]!.takes.includes(c));
    const counted = new Map(into.map((g) => [g, build.variable(mostOf(c))]));
    build.row("=", 0, [...each(filled[c]!), ...[...counted.values()].map((v) => [v, -1] as const)]);
    return counted;
  });
  const loads = groups.map((group, g) => {
    const taken = group.takes.map((c) => ({ ...classes[c]!, filled: inGroup[c]!.get(g)!, most: mostOf(c) }));
    return groupRows(build, problem, group, taken);
  });
  limitRows(build, problem, groups, containers, loads);
  const { rows, objectives, variables } = build;
  return { rows, objectives, variables, classes, groups, fills, containers, inGroup, loads };
}

/** How a lot is filled. Returns its containers by each of its options. */
function lotRows(build: Builder, lot: PlanLot, fills: LotFill[], asWished: boolean): Variable[] {
  if (lot.options.length === 0) return [];
  const ways = fills.map((fill) => {
    const way = build.variable(1);
    build.cost("left", way, leftSteps(fill.leftG));
    build.cost("strayed", way, strayed(lot, fill));
    return [way, fill] as const;
  });
  build.row("=", 1, each(ways.map(([way]) => way)));
  return lot.options.map((option, o) => {
    const most = Math.max(...fills.map((f) => f.counts[o]!));
    const filled = build.variable(most);
    // Containers of that way which are not filled after all, for want of lids, jars or loads.
    const unfilled = build.variable(asWished ? 0 : most);
    build.row("=", 0, [
      ...ways.map(([way, fill]) => [way, fill.counts[o]!] as const),
      [filled, -1],
      [unfilled, -1],
    ]);
    build.cost("unserved", unfilled, option.gramsEach);
    build.cost("empty", filled, -1);
    build.cost("containers", filled, 1);
    return filled;
  });
}

/** What stands in the loads of a group. Returns its loads by pattern of its canner. */
function groupRows(
  build: Builder,
  problem: PlanProblem,
  group: Group,
  taken: readonly { kind: string; minutes: number; filled: Variable; most: number }[],
): Map<number, Variable> {
  const kinds = new Set(taken.map((c) => c.kind));
  const all = taken.reduce((sum, c) => sum + c.most, 0);
  const used = usable(problem.canners[group.canner]!.patterns, kinds).map(([p, pattern]) => {
    const loads = build.variable(Math.min(all, problem.maxLoads ?? all));
    build.cost("loads", loads, 1);
    build.cost("empty", loads, places(pattern, kinds));
    return { p, pattern, loads };
  });
  for (const kind of kinds)
    build.row("<=", 0, [
      ...each(taken.filter((c) => c.kind === kind).map((c) => c.filled)),
      ...used.map(({ pattern, loads }) => [loads, -(pattern.counts[kind] ?? 0)] as const),
    ]);
  for (const { minutes, filled } of taken) if (minutes < group.minutes) build.cost("unlike", filled, 1);
  return new Map(used.map(({ p, loads }) => [p, loads]));
}

/** Returns how many places a pattern has for these kinds of containers, whole, ≥ 0. */
export function places(pattern: LoadPattern, kinds: ReadonlySet<string>): number {
  return Object.entries(pattern.counts).reduce((sum, [k, n]) => sum + (kinds.has(k) ? n : 0), 0);
}

/** Patterns with a place for any of these kinds; of those that offer the same, the first. */
function usable(patterns: readonly LoadPattern[], kinds: ReadonlySet<string>): [number, LoadPattern][] {
  const seen = new Set<string>();
  return [...patterns.entries()].filter(([, p]) => {
    const offers = JSON.stringify([...kinds].map((k) => p.counts[k] ?? 0));
    if (places(p, kinds) === 0 || seen.has(offers)) return false;
    seen.add(offers);
    return true;
  });
}

/** Loads of each canner and in all, jars, lids and can ends. */
function limitRows(
  build: Builder,
  { lots, stock, canners, maxLoads: inAll }: PlanProblem,
  groups: Group[],
  containers: Variable[][],
  loads: Map<number, Variable>[],
): void {
  const loadsIn = (canner: number) =>
    groups.flatMap((group, g) => (group.canner === canner ? [...loads[g]!.values()] : []));
  const all = loads.flatMap((l) => [...l.values()]);
  for (const [c, { maxLoads }] of canners.entries())
    if (maxLoads !== null) build.row("<=", maxLoads, each(loadsIn(c)));
  if (inAll !== null) build.row("<=", inAll, each(all));
  const limit = (bound: number | null | undefined, uses: (kind: string) => boolean) => {
    if (bound === null || bound === undefined) return;
    const used = lots.flatMap((lot, l) =>
      lot.options.flatMap((o, i) => (uses(o.kind) ? [containers[l]![i]!] : [])),
    );
    build.row("<=", bound, each(used));
  };
  for (const kind of new Set(lots.flatMap((l) => l.options.map((o) => o.kind)))) {
    limit(stock.containers[kind], (k) => k === kind);
    if (cans(kind)) limit(stock.ends[kind], (k) => k === kind);
  }
  for (const mouth of ["regular", "wide"] as const) limit(stock.lids[mouth], (k) => k.endsWith(` ${mouth}`));
}

function classesOf({ lots }: PlanProblem): Class[] {
  // Raw and hot share a run by their own rules; only beside what goes into cool water does it matter.
  const anyCool = lots.some((l) => l.options.some((o) => o.cool));
  const classes = new Map<string, Class>();
  for (const [lot, { options }] of lots.entries())
    for (const [option, { kind, minutes, cool, pack }] of options.entries()) {
      const hot = anyCool && pack === "hot";
      const key = [kind, minutes, cool, hot].join("|");
      const known = classes.get(key) ?? { kind, minutes, cool, hot, members: [] };
      known.members.push({ lot, option });
      classes.set(key, known);
    }
  return [...classes.values()];
}

function groupsOf(problem: PlanProblem, classes: Class[], oneTime: boolean): Group[] {
  const groups: Group[] = [];
  for (const [canner, { patterns, takesCool, without }] of problem.canners.entries()) {
    const holds = new Set(patterns.flatMap((p) => Object.keys(p.counts)));
    for (const isCans of [false, true])
      for (const cool of [false, true]) {
        if (cool && (!takesCool || isCans || !classes.some((c) => c.cool))) continue;
        const takes = [...classes.keys()].filter((c) => {
          const k = classes[c]!;
          if (cans(k.kind) !== isCans || !holds.has(k.kind) || without.includes(k.kind)) return false;
          return cool ? !k.hot : !k.cool;
        });
        const times = [...new Set(takes.map((c) => classes[c]!.minutes))];
        for (const minutes of oneTime && times.length > 0 ? [Math.max(...times)] : times) {
          const may = takes.filter((c) => classes[c]!.minutes <= minutes);
          groups.push({ canner, minutes, cool, cans: isCans, takes: may });
        }
      }
  }
  return groups;
}
