import type { RestWay } from "#core/pack";
import type { PartProgress } from "#core/pack";
import {
  countOf,
  formatMass,
  formatSpoons,
  formatVolume,
  fromSi,
  unitBySymbol,
  type UnitSystem,
} from "#core/quantity";
import type { JarPart } from "#core/recipe";
import { shapeOf, type ContainerKey, type Mouth } from "#core/schedule";
import { CHILLED_TIME } from "./safety";

/** `broth of lot KWH-N`, `broth (Beef stock)`, `water`, `no liquid`: what a pack is covered with. */
export function liquidWords(
  { liquid, liquidName }: { liquid: string; liquidName?: string | null },
  lotCode: string | null,
): string {
  if (liquid === "none") return "no liquid";
  if (lotCode) return `${liquid} of lot ${lotCode}`;
  return liquidName ? `${liquid} (${liquidName})` : liquid;
}

/** How a part goes against its plan, in a sentence. */
export function progressWords(
  p: PartProgress,
  container: ContainerKey,
  mouth: Mouth | null,
  units: UnitSystem,
): string {
  const shape = shapeOf(container, mouth);
  const n = (count: number) => countOf(count, shape.name, shape.plural);
  const comes =
    p.comesTo === p.planned
      ? `It comes out as planned: ${n(p.planned)}.`
      : p.comesTo > p.planned
        ? `The lot fills ${n(p.comesTo)}, ${p.comesTo - p.planned} more than planned.`
        : `At what one takes now it comes to ${n(p.comesTo)}, not ${p.planned}.`;
  return p.restKg > 0.02 ? `${comes} ${formatMass(p.restKg, units)} then fills no ${shape.name}.` : comes;
}

export const REST_WORDS: Record<RestWay, string> = {
  fridge: `Into the refrigerator, eat within ${CHILLED_TIME}`,
  freezer: "Freeze it",
  eat: "Eaten now",
  "other-lot": "Stays with its lot, for another pack",
  none: "Nothing is left",
};

/** Less than this is told in teaspoons in US cups, L, and as “a little” in ounces, kg: it would round to none. */
const LEAST_CUP_L = 0.06;
const LEAST_OZ_KG = 0.008;

const TSP = unitBySymbol("volume", "tsp");

/** `7 oz`, `¾ cup`, `2 tsp`: one ingredient's part of a container; empty for a seasoning, which goes by taste. */
export function jarPartWords({ role, amount }: JarPart, units: UnitSystem): string {
  if (role === "seasoning") return "";
  if (role === "liquid")
    return units === "us" && amount < LEAST_CUP_L
      ? formatSpoons(Math.max(0.25, Math.round(4 * fromSi(amount, TSP)) / 4))
      : formatVolume(amount, units);
  return units === "us" && amount < LEAST_OZ_KG ? "a little" : formatMass(amount, units);
}

/** `the copper spot`, `layer 2 from below, the copper spot`: where the next container goes. */
export function placeWords(layer: number | null, layers: number): string {
  if (layer === null) return "wherever there is room";
  return layers === 1 ? "the copper spot" : `layer ${layer + 1} from below, the copper spot`;
}
