import { containerOf, type LoadPattern } from "../capacity/index.ts";
import { isCan } from "../schedule/index.ts";
import { leftSteps, lotFills, strayed, type LotFill } from "./fill.ts";
import { OBJECTIVES, type Objective, type PlanProblem } from "./problem.ts";

/** A linear expression: a coefficient for each variable. */
export type Terms = Map<string, number>;

export interface Row {
  terms: Terms;
  sense: "<=" | ">=" | "=";
  bound: number;
}

/** An integer programme, every variable whole, not below 0 and not above its own most. */
export interface Programme {
  rows: Row[];
  objectives: Record<Objective, Terms>;
  /** variables with the most each can be */
  variables: Map<string, number>;
  groups: Group[];
  classes: Class[];
  /** ways to fill each lot */
  fills: LotFill[][];
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

/** The variables by name. */
export const names = {
  /** whether a lot is filled in this way */
  v: (lot: number, fill: number) => `v${lot}_${fill}`,
  /** containers of that way which are not filled after all, for want of lids, jars or loads */
  s: (lot: number, option: number) => `s${lot}_${option}`,
  /** containers of a lot by an option */
  x: (lot: number, option: number) => `x${lot}_${option}`,
  /** containers of a class in a group */
  z: (klass: number, group: number) => `z${klass}_${group}`,
  /** loads of a group by a pattern of its canner */
  y: (group: number, pattern: number) => `y${group}_${pattern}`,
};

class Builder {
  readonly rows: Row[] = [];
  readonly variables = new Map<string, number>();
  readonly objectives = Object.fromEntries(OBJECTIVES.map((o) => [o, new Map()])) as Record<Objective, Terms>;

  variable(name: string, most: number): string {
    this.variables.set(name, most);
    return name;
  }
  row(sense: Row["sense"], bound: number, terms: Iterable<readonly [string, number]>): void {
    const summed: Terms = new Map();
    for (const [name, by] of terms) summed.set(name, (summed.get(name) ?? 0) + by);
    if (summed.size > 0) this.rows.push({ terms: summed, sense, bound });
  }
  cost(objective: Objective, name: string, by: number): void {
    const terms = this.objectives[objective];
    terms.set(name, (terms.get(name) ?? 0) + by);
  }
}

/**
 * Returns the planning problem as an integer program, exact in whole grams and whole containers.
 *
 * Each lot takes one of the ways to fill it, less what cannot be filled after all. Loads of one canner with one time
 * are counted together, which keeps the program small. A group's time is at least that of everything in it.
 * @param asWished only plans that fill everything by the household's first choice, which is smaller and mostly
 *   possible
 */
export function programmeOf(problem: PlanProblem, asWished = false): Programme {
  const build = new Builder();
  const fills = problem.lots.map((lot) => {
    const ways = lot.options.length > 0 ? lotFills(lot) : [];
    return asWished ? ways.filter((fill) => strayed(lot, fill) === 0) : ways;
  });
  for (const l of problem.lots.keys()) lotRows(build, problem, fills[l]!, l, asWished);
  const classes = classesOf(problem);
  const groups = groupsOf(problem, classes);
  const mostOf = (c: number) =>
    classes[c]!.members.reduce((sum, m) => sum + build.variables.get(names.x(m.lot, m.option))!, 0);
  for (const [c, klass] of classes.entries()) {
    const into = [...groups.keys()].filter((g) => groups[g]!.takes.includes(c));
    build.row("=", 0, [
      ...klass.members.map((m) => [names.x(m.lot, m.option), 1] as const),
      ...into.map((g) => [build.variable(names.z(c, g), mostOf(c)), -1] as const),
    ]);
  }
  for (const g of groups.keys()) groupRows(build, problem, classes, groups[g]!, g, mostOf);
  limitRows(build, problem, groups);
  const { rows, objectives, variables } = build;
  return { rows, objectives, variables, classes, groups, fills };
}

function lotRows(
  build: Builder,
  { lots }: PlanProblem,
  fills: LotFill[],
  l: number,
  asWished: boolean,
): void {
  const { options } = lots[l]!;
  if (options.length === 0) return;
  const ways = fills.map((fill, f) => {
    const name = build.variable(names.v(l, f), 1);
    build.cost("left", name, leftSteps(fill.leftG));
    build.cost("strayed", name, strayed(lots[l]!, fill));
    return [name, fill] as const;
  });
  build.row(
    "=",
    1,
    ways.map(([name]) => [name, 1] as const),
  );
  for (const [o, option] of options.entries()) {
    const most = Math.max(...fills.map((f) => f.counts[o]!));
    const x = build.variable(names.x(l, o), most);
    const s = build.variable(names.s(l, o), asWished ? 0 : most);
    build.row("=", 0, [...ways.map(([name, fill]) => [name, fill.counts[o]!] as const), [x, -1], [s, -1]]);
    build.cost("unserved", s, option.gramsEach);
    build.cost("empty", x, -1);
    build.cost("containers", x, 1);
  }
}

function groupRows(
  build: Builder,
  problem: PlanProblem,
  classes: Class[],
  group: Group,
  g: number,
  mostOf: (c: number) => number,
): void {
  const { patterns } = problem.canners[group.canner]!;
  const kinds = new Set(group.takes.map((c) => classes[c]!.kind));
  const all = group.takes.reduce((sum, c) => sum + mostOf(c), 0);
  const used = usable(patterns, kinds);
  for (const [p, pattern] of used) {
    const name = build.variable(names.y(g, p), Math.min(all, problem.maxLoads ?? all));
    build.cost("loads", name, 1);
    build.cost("empty", name, places(pattern, kinds));
  }
  for (const kind of kinds)
    build.row("<=", 0, [
      ...group.takes.filter((c) => classes[c]!.kind === kind).map((c) => [names.z(c, g), 1] as const),
      ...used.map(([p, pattern]) => [names.y(g, p), -(pattern.counts[kind] ?? 0)] as const),
    ]);
  for (const c of group.takes)
    if (classes[c]!.minutes < group.minutes) build.cost("unlike", names.z(c, g), 1);
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
function limitRows(build: Builder, problem: PlanProblem, groups: Group[]): void {
  const { lots, stock, canners } = problem;
  const loadsOf = (canner: number | null) =>
    [...build.variables.keys()]
      .filter(
        (v) =>
          v.startsWith("y") &&
          (canner === null || groups[Number(v.slice(1).split("_")[0])]!.canner === canner),
      )
      .map((v) => [v, 1] as const);
  for (const [c, { maxLoads }] of canners.entries())
    if (maxLoads !== null) build.row("<=", maxLoads, loadsOf(c));
  if (problem.maxLoads !== null) build.row("<=", problem.maxLoads, loadsOf(null));
  const limit = (bound: number | null | undefined, uses: (kind: string) => boolean) => {
    if (bound === null || bound === undefined) return;
    build.row(
      "<=",
      bound,
      lots.flatMap((lot, l) =>
        lot.options.flatMap((o, i) => (uses(o.kind) ? [[names.x(l, i), 1] as const] : [])),
      ),
    );
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

function groupsOf(problem: PlanProblem, classes: Class[]): Group[] {
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
        for (const minutes of new Set(takes.map((c) => classes[c]!.minutes))) {
          const may = takes.filter((c) => classes[c]!.minutes <= minutes);
          groups.push({ canner, minutes, cool, cans: isCans, takes: may });
        }
      }
  }
  return groups;
}

/**
 * Returns an integer program that minimizes an objective, as text in the CPLEX LP format, which HiGHS reads.
 *
 * @param settled further rows, for objectives that are fixed already
 */
export function lpText(programme: Programme, objective: Terms, settled: readonly Row[] = []): string {
  const [any] = programme.variables.keys();
  const sum = (terms: Terms) => {
    const parts = [...terms].filter(([, by]) => by !== 0);
    if (parts.length === 0) return `0 ${any}`;
    return parts.map(([name, by]) => `${by < 0 ? "-" : "+"} ${Math.abs(by)} ${name}`).join("\n ");
  };
  return [
    "Minimize",
    ` obj: ${sum(objective)}`,
    "Subject To",
    ...[...programme.rows, ...settled].map((r, i) => ` r${i}: ${sum(r.terms)} ${r.sense} ${r.bound}`),
    "Bounds",
    ...[...programme.variables].map(([name, most]) => ` 0 <= ${name} <= ${most}`),
    "General",
    ` ${[...programme.variables.keys()].join("\n ")}`,
    "End",
  ].join("\n");
}
