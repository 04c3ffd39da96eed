import type { PlanLoad, PlanProblem, Portion } from "./problem.ts";
import type { GroupLoads, Solved } from "./solve.ts";

/**
 * Returns the single loads of a solved plan. Containers with the longest time go together first; a lot stays together
 * while there is room.
 */
export function loadsOf(problem: PlanProblem, solved: Solved): PlanLoad[] {
  const left = new Map(solved.portions.map((p) => [`${p.lotId} ${p.option}`, p.count]));
  return solved.groups
    .flatMap((g) => loadsOfGroup(problem, solved, g, left))
    .filter((l) => l.portions.length > 0);
}

function loadsOfGroup(
  problem: PlanProblem,
  { programme }: Solved,
  { group, patterns, classes }: GroupLoads,
  left: Map<string, number>,
): PlanLoad[] {
  const canner = problem.canners[group.canner]!;
  const loads = [...patterns].flatMap(([p, n]) =>
    Array.from({ length: n }, () => ({
      load: { cannerId: canner.id, pattern: canner.patterns[p]!, portions: [] as Portion[] },
      room: { ...canner.patterns[p]!.counts },
    })),
  );
  const longestFirst = [...classes].sort(
    ([a], [b]) => programme.classes[b]!.minutes - programme.classes[a]!.minutes,
  );
  for (const [c, count] of longestFirst) {
    let toPlace = count;
    const klass = programme.classes[c]!;
    for (const { lot, option } of klass.members) {
      const key = `${problem.lots[lot]!.id} ${option}`;
      for (const { load, room } of loads) {
        const n = Math.min(toPlace, left.get(key) ?? 0, room[klass.kind] ?? 0);
        if (n === 0) continue;
        load.portions.push({ lotId: problem.lots[lot]!.id, option, count: n });
        room[klass.kind]! -= n;
        left.set(key, left.get(key)! - n);
        toPlace -= n;
      }
    }
  }
  return loads.map((l) => l.load);
}

/** Returns how many containers of each kind some portions come to, whole, ≥ 0. */
export function countsOf(
  problem: Pick<PlanProblem, "lots">,
  portions: readonly Portion[],
): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const p of portions) {
    const { kind } = problem.lots.find((l) => l.id === p.lotId)!.options[p.option]!;
    counts[kind] = (counts[kind] ?? 0) + p.count;
  }
  return counts;
}
