import { containerOf, fitsIn } from "../capacity/index.ts";
import { isCan } from "../schedule/index.ts";
import { ProgrammeBuilder, each, minimized, sumOf, type Solver, type Terms, type Values } from "./linear.ts";
import { countsOfParts, loadIn } from "./place.ts";
import { places } from "./programme.ts";
import type { PlanLot } from "./problem.ts";
import { NotSolved } from "./solve.ts";
import type { Usable } from "./usable.ts";
import type { PlanWish, ProposedLoad, ProposedPart } from "./wish.ts";

/** What a load takes of its canner beside its process time, minutes, about: only to share loads out. Common practice, no source. */
const AROUND_MINUTES = 100;

/** One load in one canner that takes it. */
interface Way {
  canner: Usable;
  proposed: ProposedLoad;
  /** how long the canner is busy with it, minutes, whole */
  minutes: number;
  /** fewest places left in it */
  empty: number;
}

/** Returns how long a load keeps a canner busy, minutes, whole. */
export const busyMinutes = (load: Pick<ProposedLoad, "governing">): number =>
  Math.ceil(load.governing.minutes) + AROUND_MINUTES;

/**
 * Returns the loads of a solved plan, each in its canner: so that the canner that is busy longest is done first, and
 * among such ways with the fewest places left. Exact, by the same solver as the plan. No canner runs more than it may,
 * with what is settled.
 *
 * @param loads of each, what it is of
 * @param lots with the ways each may be packed, which say what a place is left for
 * @param canners any of the plan
 * @param settled loads that keep their canners
 * @param now ms since 1970 UTC, for the gauges' tests
 * @param seconds the solver may take for each of the two questions, > 0
 * @throws NotSolved when no way was found in that time; a solved plan always has one
 */
export async function assignLoads(
  loads: readonly ProposedPart[][],
  lots: readonly PlanLot[],
  canners: readonly Usable[],
  settled: readonly ProposedLoad[],
  wish: PlanWish,
  now: number,
  solver: Solver,
  seconds: number,
): Promise<ProposedLoad[]> {
  const ways = loads.map((parts) => waysOf(parts, lots, canners, wish, now));
  const unsolved = new NotSolved("no canner was found for a load in the time given");
  if (ways.some((w) => w.length === 0)) throw unsolved;
  const build = new ProgrammeBuilder();
  const chosen = ways.map((w) => w.map(() => build.variable(1)));
  for (const of of chosen) build.row("=", 1, each(of));
  const busiest = build.variable(
    [...ways.map((w) => Math.max(...w.map((x) => x.minutes))), ...settled.map(busyMinutes)].reduce(
      (a, b) => a + b,
      0,
    ),
  );
  for (const canner of canners) {
    const here = ways.flatMap((w, l) =>
      w.flatMap((way, i) => (way.canner === canner ? [[chosen[l]![i]!, way.minutes] as const] : [])),
    );
    const kept = settled.filter((l) => l.cannerId === canner.id);
    const before = kept.reduce((sum, l) => sum + busyMinutes(l), 0);
    build.row("<=", -before, [...here, [busiest, -1]]);
    if (canner.maxLoads !== null)
      build.row("<=", Math.max(0, canner.maxLoads - kept.length), each(here.map(([v]) => v)));
  }
  const empty: Terms = new Map(
    ways.flatMap((w, l) => w.map((way, i) => [chosen[l]![i]!, way.empty] as const)),
  );
  const values = await bestOf(build, [new Map([[busiest, 1]]), empty], solver, seconds);
  return ways.map((w, l) => {
    const way = w.find((_, i) => values.get(chosen[l]![i]!) === 1);
    if (!way) throw unsolved;
    return way.proposed;
  });
}

/** The best by each objective in turn; none when nothing was found for the first. */
async function bestOf(
  programme: ProgrammeBuilder,
  objectives: readonly Terms[],
  solver: Solver,
  seconds: number,
): Promise<Values> {
  let values: Values = new Map();
  if (programme.rows.length === 0) return values;
  const settled = [];
  for (const objective of objectives) {
    const { found } = await minimized(programme, objective, settled, solver, seconds);
    values = found ?? values;
    settled.push({ terms: objective, sense: "<=" as const, bound: sumOf(objective, values) });
  }
  return values;
}

function waysOf(
  parts: ProposedPart[],
  lots: readonly PlanLot[],
  canners: readonly Usable[],
  wish: PlanWish,
  now: number,
): Way[] {
  return canners.flatMap((canner) => {
    const proposed = loadIn(canner, parts, wish, now);
    if (!proposed) return [];
    return [{ canner, proposed, minutes: busyMinutes(proposed), empty: emptyPlaces(canner, parts, lots) }];
  });
}

/** Fewest places left for sizes that could go in with these and be processed no longer than they are. */
function emptyPlaces(canner: Usable, parts: readonly ProposedPart[], lots: readonly PlanLot[]): number {
  const options = lots.flatMap((l) => l.options);
  const own = parts.map((p) => lots.find((l) => l.id === p.lotId)!.options.find((o) => o.kind === p.kind)!);
  const longest = Math.max(...own.map((o) => o.minutes));
  const cans = isCan(containerOf(own[0]!.kind));
  const beside = options.filter(
    (o) => o.minutes <= longest && isCan(containerOf(o.kind)) === cans && !canner.without.includes(o.kind),
  );
  // In cool water only what is raw goes in with it; a raw load may be run either way.
  const cool = own.some((o) => o.cool);
  const either =
    canner.takesCool && !cans && options.some((o) => o.cool) && own.every((o) => o.pack !== "hot");
  const ways = [
    ...(cool || either ? [beside.filter((o) => o.pack !== "hot")] : []),
    ...(cool ? [] : [beside.filter((o) => !o.cool)]),
  ];
  const counts = countsOfParts(parts);
  const all = Object.values(counts).reduce((a, b) => a + b, 0);
  const rooms = ways.flatMap((way) => {
    const kinds = new Set(way.map((o) => o.kind));
    return canner.patterns.filter((p) => fitsIn(counts, p)).map((p) => places(p, kinds) - all);
  });
  return Math.min(...rooms);
}
