/**
 * For tests: the planning problem solved by trying everything. Slow on purpose and written apart from the programme, so
 * that the two can be held against each other.
 */
import { containerOf, fitsIn, type KindKey } from "../capacity/index.ts";
import { isCan } from "../schedule/index.ts";
import { leftSteps, lotFills, strayed } from "./fill.ts";
import type { LotOption, PlanCanner, PlanProblem, Portion, Scores } from "./problem.ts";
import { compareScores } from "./solve.ts";

interface Jar {
  kind: KindKey;
  minutes: number;
  cool: boolean;
  hot: boolean;
}

interface Load {
  canner: PlanCanner;
  jars: Jar[];
}

/**
 * Returns the best scores that any plan can reach, by trying all of them: an oracle for tests, for a handful of
 * containers only.
 */
export function bruteForce(problem: PlanProblem): Scores {
  let best: Scores | null = null;
  for (const counts of everyCount(problem)) {
    const served = servedBy(problem, counts);
    if (best && served.unserved > best.unserved) continue;
    const jars = problem.lots.flatMap((lot, l) =>
      lot.options.flatMap((o, i) => Array.from({ length: counts[l]![i]! }, () => jarOf(o))),
    );
    for (const loads of everyLoading(problem, jars)) {
      const scores = scoresOf(problem, served, loads);
      if (!best || compareScores(scores, best) < 0) best = scores;
    }
  }
  return best!;
}

/**
 * Returns the scores of loads as they were proposed, counted container by container.
 *
 * @param loads each in the canner it is proposed for
 */
export function scoresOfLoads(
  problem: PlanProblem,
  loads: readonly { cannerId: string; portions: readonly Portion[] }[],
): Scores {
  const all = loads.flatMap((l) => l.portions);
  const counts = problem.lots.map((lot) =>
    lot.options.map((_, o) =>
      all.filter((p) => p.lotId === lot.id && p.option === o).reduce((sum, p) => sum + p.count, 0),
    ),
  );
  const filled = loads.map(({ cannerId, portions }): Load => ({
    canner: problem.canners.find((c) => c.id === cannerId)!,
    jars: portions.flatMap(({ lotId, option, count }) =>
      Array.from({ length: count }, () => jarOf(problem.lots.find((l) => l.id === lotId)!.options[option]!)),
    ),
  }));
  const wrong = filled.find((l) => !may(l));
  if (wrong) throw new RangeError(`${wrong.canner.id} does not take a load it was planned for`);
  return scoresOf(problem, servedBy(problem, counts), filled);
}

/** Of every lot together: what could be filled and is not, what others stand in for, and what is left. */
function servedBy({ lots }: PlanProblem, counts: readonly number[][]): Served {
  const served = lots.map((lot, l) => bestFill(lot, counts[l]!));
  const sum = (of: (s: Served) => number) => served.reduce((n, s) => n + of(s), 0);
  return {
    unserved: sum((s) => s.unserved),
    strayed: sum((s) => s.strayed),
    left: sum((s) => s.left),
  };
}

const scoresOf = (problem: PlanProblem, served: Served, loads: readonly Load[]): Scores => ({
  ...served,
  loads: loads.length,
  unlike: loads.reduce((sum, l) => sum + l.jars.filter((j) => j.minutes < longest(l)).length, 0),
  empty: loads.reduce((sum, l) => sum + emptyPlaces(problem, l), 0),
  containers: loads.reduce((sum, l) => sum + l.jars.length, 0),
});

const jarOf = ({ kind, minutes, cool, pack }: LotOption): Jar => ({
  kind,
  minutes,
  cool,
  hot: pack === "hot",
});
const longest = (load: Load) => Math.max(...load.jars.map((j) => j.minutes));
const canKind = (kind: KindKey) => isCan(containerOf(kind));

function countsOf(jars: readonly Jar[]): Record<KindKey, number> {
  const counts: Record<KindKey, number> = {};
  for (const j of jars) counts[j.kind] = (counts[j.kind] ?? 0) + 1;
  return counts;
}

/** Every number of containers of every lot and option that weight, jars, ends and lids allow. */
function* everyCount({ lots, stock }: PlanProblem): Generator<number[][]> {
  const within = (counts: number[][]) => {
    const used: Record<string, number> = {};
    const mouths = { regular: 0, wide: 0 };
    for (const [l, lot] of lots.entries())
      for (const [i, o] of lot.options.entries()) {
        used[o.kind] = (used[o.kind] ?? 0) + counts[l]![i]!;
        for (const m of ["regular", "wide"] as const) if (o.kind.endsWith(m)) mouths[m] += counts[l]![i]!;
      }
    return (
      Object.entries(used).every(
        ([k, n]) =>
          n <= (stock.containers[k] ?? Infinity) &&
          n <= (canKind(k) ? (stock.ends[k] ?? Infinity) : Infinity),
      ) && (["regular", "wide"] as const).every((m) => mouths[m] <= (stock.lids[m] ?? Infinity))
    );
  };
  const perLot = lots.map((lot) =>
    lot.options.reduce<number[][]>(
      (sofar, o) =>
        sofar.flatMap((head) => {
          const spent = head.reduce((sum, n, i) => sum + n * lot.options[i]!.gramsEach, 0);
          const most = Math.floor((lot.grams - spent) / o.gramsEach);
          return Array.from({ length: most + 1 }, (_, n) => [...head, n]);
        }),
      [[]],
    ),
  );
  const walk = function* (l: number, counts: number[][]): Generator<number[][]> {
    if (l === lots.length) {
      if (within(counts)) yield counts;
      return;
    }
    for (const c of perLot[l]!) yield* walk(l + 1, [...counts, c]);
  };
  yield* walk(0, []);
}

interface Served {
  unserved: number;
  strayed: number;
  left: number;
}

function bestFill(lot: PlanProblem["lots"][number], counts: number[]): Served {
  if (lot.options.length === 0) return { unserved: 0, strayed: 0, left: 0 };
  const ways = lotFills(lot)
    .filter((f) => f.counts.every((n, i) => n >= counts[i]!))
    .map((f) => ({
      unserved: f.counts.reduce((sum, n, i) => sum + (n - counts[i]!) * lot.options[i]!.gramsEach, 0),
      strayed: strayed(lot, f),
      left: leftSteps(f.leftG),
    }));
  return (
    ways.sort((a, b) => a.unserved - b.unserved || a.strayed - b.strayed || a.left - b.left)[0] ?? {
      unserved: Infinity,
      strayed: 0,
      left: Infinity,
    }
  );
}

/** Every way to share containers out between loads, like containers not told apart. */
function* everyLoading(problem: PlanProblem, jars: readonly Jar[]): Generator<Load[]> {
  const sorted = [...jars].sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)));
  const walk = function* (i: number, loads: Load[], lastLoad: number): Generator<Load[]> {
    const jar = sorted[i];
    if (!jar) {
      yield loads;
      return;
    }
    // A container like the one before goes into the same load or a later one.
    const from = i > 0 && JSON.stringify(sorted[i - 1]) === JSON.stringify(jar) ? lastLoad : 0;
    for (let l = from; l < loads.length; l++) {
      const grown: Load = { ...loads[l]!, jars: [...loads[l]!.jars, jar] };
      if (may(grown)) yield* walk(i + 1, loads.with(l, grown), l);
    }
    if (loads.length >= (problem.maxLoads ?? Infinity)) return;
    for (const canner of problem.canners) {
      if (loads.filter((l) => l.canner === canner).length >= (canner.maxLoads ?? Infinity)) continue;
      const fresh: Load = { canner, jars: [jar] };
      if (may(fresh)) yield* walk(i + 1, [...loads, fresh], loads.length);
    }
  };
  yield* walk(0, [], 0);
}

function may({ canner, jars }: Load): boolean {
  const counts = countsOf(jars);
  return (
    canner.patterns.some((p) => fitsIn(counts, p)) &&
    jars.every((j) => !canner.without.includes(j.kind)) &&
    !(jars.some((j) => j.cool) && (!canner.takesCool || jars.some((j) => j.hot))) &&
    !(jars.some((j) => canKind(j.kind)) && jars.some((j) => !canKind(j.kind)))
  );
}

/** Fewest containers that fill a load up, of kinds that would be processed no longer than it is. */
function emptyPlaces({ lots }: PlanProblem, load: Load): number {
  const { canner, jars } = load;
  const counts = countsOf(jars);
  const cool = jars.some((j) => j.cool);
  const cans = canKind(jars[0]!.kind);
  const anyCool = lots.some((l) => l.options.some((o) => o.cool));
  // Beside cool water only what is raw counts; a raw load may be either, whichever fills better.
  const modes = cool
    ? [true]
    : anyCool && canner.takesCool && !cans && jars.every((j) => !j.hot)
      ? [true, false]
      : [false];
  const rooms = modes.flatMap((mode) => {
    const kinds = new Set(
      lots
        .flatMap((l) => l.options)
        .filter(
          (o) => o.minutes <= longest(load) && canKind(o.kind) === cans && !canner.without.includes(o.kind),
        )
        .filter((o) => (mode ? o.pack !== "hot" : !o.cool))
        .map((o) => o.kind),
    );
    return canner.patterns
      .filter((p) => fitsIn(counts, p))
      .map((p) => {
        const open = Object.entries(p.counts).filter(([k]) => kinds.has(k));
        return open.reduce((sum, [, n]) => sum + n, 0) - jars.length;
      });
  });
  return Math.min(...rooms);
}
