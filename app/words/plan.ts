import { countOf, formatMass, formatSpoons, type UnitSystem } from "#core/quantity";
import { kindShape, type KindKey } from "#core/capacity";
import type { Objective, Scores } from "#core/plan";
import { isCan, type ContainerKey } from "#core/schedule";

/** `9 pints`, `1 wide-mouth quart`. */
export function kindWords(kind: KindKey, count: number): string {
  const shape = kindShape(kind);
  return countOf(count, shape.name, shape.plural);
}

/** `3 quarts and 4 pints`. */
export function kindsWords(counts: Record<KindKey, number>): string {
  const parts = Object.entries(counts).map(([k, n]) => kindWords(k, n));
  return parts.length < 2 ? (parts[0] ?? "nothing") : `${parts.slice(0, -1).join(", ")} and ${parts.at(-1)}`;
}

/** How sure the plan is of its loads: `2 loads; no plan found needs fewer`. */
export function loadsWords(loads: number, proven: readonly Objective[], bound: boolean): string {
  const n = countOf(loads, "load");
  if (bound) return `${n}, with what you have settled`;
  return proven.includes("loads") ? `${n} (the fewest found)` : `${n} (the fewest found in the time allowed)`;
}

/** What the household's own choices cost: `1 load more, 0.4 lb more left over`; null when nothing. */
export function costWords(cost: Partial<Scores> | null, units: UnitSystem): string | null {
  if (!cost) return null;
  const more = (n: number) => (n > 0 ? "more" : "fewer");
  const words = [
    cost.loads ? `${countOf(Math.abs(cost.loads), "load")} ${more(cost.loads)}` : "",
    cost.left ? `${formatMass(Math.abs(cost.left), units)} ${cost.left > 0 ? "more" : "less"} left over` : "",
    cost.unlike
      ? `${countOf(Math.abs(cost.unlike), "container")} ${more(cost.unlike)} processed longer than their own time`
      : "",
  ].filter(Boolean);
  return words.length > 0 ? words.join(", ") : "nothing";
}

/** How much is left over, and why. What is done with it is said once for all. */
export function leftWords(kg: number, unserved: boolean, units: UnitSystem): string {
  const what = formatMass(kg, units);
  return unserved ? `${what}, for want of jars, lids or loads` : `${what}, less than one container`;
}

export function saltWords(tsp: number): string {
  return tsp >= 3 ? `${formatSpoons(tsp)} (${Math.round((tsp / 3) * 2) / 2} tablespoons)` : formatSpoons(tsp);
}

/** `lid` or `can end`, by what it closes. */
export function lidName(kind: KindKey, count: number): string {
  return isCan(kind.split(" ")[0] as ContainerKey) ? countOf(count, "can end") : countOf(count, "lid");
}
