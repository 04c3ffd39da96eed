import { KG_PER_LB } from "#core/quantity";
import { posterior, predict, type Estimate } from "../estimate/index.ts";
import {
  isCan,
  isHalfLiquid,
  rowOf,
  shapeOf,
  type ContainerKey,
  type Mouth,
  type PackMethod,
  type ProductKey,
} from "../schedule/index.ts";
import { usableMl } from "./profile.ts";

/** Expected weight of one filled container, with where the figure comes from. */
export interface FillEstimate {
  /** mean, kg */
  kgEach: number;
  /** 90 % interval of the next pack's weight a container, kg */
  lowKg: number;
  highKg: number;
  source: "common practice" | "these packs";
  /** how many recorded packs stand behind it */
  packs: number;
}

/** Density of meat and fish, kg/l. Standard value, from memory. */
const MEAT_KG_L = 1.06;

/**
 * Part of that room which the raw weight of the food takes up. Common practice, no source: raw pieces and fish are
 * pressed in without gaps (a little over 1 lb a pint, about 2 lb a quart); hot packs and loose birds leave an eighth
 * for liquid (about 0.9 lb a pint); fish in cans about 1 lb a one-pound can; game in cans is packed loosely; soups are half
 * liquid.
 */
function packingFraction(product: ProductKey, pack: PackMethod): number {
  if (product === "broth") return 1;
  if (product === "can-fish") return 0.94;
  if (isHalfLiquid(product)) return 0.45;
  return pack === "hot" || product.startsWith("poultry") ? 0.88 : 1;
}

/** How far a household's containers differ from the common practice, and one pack's from the next, as parts of the mean. Common practice, no source. */
const BETWEEN_HOUSEHOLDS = 0.12;
const BETWEEN_PACKS = 0.06;

/**
 * Returns the weight of raw food one container is likely to take, kg, with the 90 % interval of the next pack.
 *
 * It starts from the room below the headspace × the fraction that food takes up × density (common practice, no
 * source). Each of the household's own packs moves it, by the normal posterior, so that three like packs count for
 * more than the start.
 * @param recordedKg weight per container of earlier packs of the same kind, kg, > 0
 * @param mouth of a jar; null for a regular one
 */
export function fillEstimate(
  product: ProductKey,
  pack: PackMethod,
  container: ContainerKey,
  recordedKg: readonly number[] = [],
  mouth: Mouth | null = null,
): FillEstimate {
  const mean = firstGuessKg(product, pack, container, mouth);
  const scatter = BETWEEN_PACKS * mean;
  const belief = posterior({ mean, sd: BETWEEN_HOUSEHOLDS * mean }, scatter, recordedKg);
  const estimate: Estimate = predict(belief, scatter, recordedKg.length);
  return {
    kgEach: estimate.mean,
    lowKg: Math.max(0, estimate.low),
    highKg: estimate.high,
    source: recordedKg.length > 0 ? "these packs" : "common practice",
    packs: recordedKg.length,
  };
}

/** A dish is ladled out: a jar may have so much more or less of its meat than its share. Common practice, no source. */
const DISH_SCATTER = 0.3;

/**
 * Returns the meat one container of a dish is expected to take, kg, with the range in which it is still that dish.
 * Common practice, no source.
 *
 * @param kgEach its share by the recipe, kg, ≥ 0
 */
export function dishEstimate(kgEach: number): FillEstimate {
  const off = DISH_SCATTER * kgEach;
  return { kgEach, lowKg: kgEach - off, highKg: kgEach + off, source: "common practice", packs: 0 };
}

/** The start, before this household has packed any, kg. */
function firstGuessKg(
  product: ProductKey,
  pack: PackMethod,
  container: ContainerKey,
  mouth: Mouth | null,
): number {
  if (container === "jar-half-gallon") return 4 * KG_PER_LB;
  const headspaceIn = isCan(container) ? 0.25 : product.startsWith("poultry") ? 1.25 : 1;
  const litres = usableMl(shapeOf(container, mouth), headspaceIn) / 1000;
  return litres * packingFraction(product, pack) * (product === "broth" ? 1 : MEAT_KG_L);
}

/** Heaviest that is still food and no slip of the pen, kg/l: meat pressed in without a gap. From memory. */
const DENSEST_KG_L = 1.1;

/**
 * Returns the most food that one container can hold, kg: its whole volume at 1.1 kg a liter; for a dish that must be
 * half liquid, half of the room below the headspace. The density is from memory.
 *
 * @param mouth of a jar; null for a regular one
 * @throws RangeError for a container without measures
 */
export function contentsMostKg(product: ProductKey, container: ContainerKey, mouth: Mouth | null): number {
  const shape = shapeOf(container, mouth);
  if (isHalfLiquid(product)) return (usableMl(shape, rowOf(product).headspaceIn) / 2000) * DENSEST_KG_L;
  return (usableMl(shape, 0) / 1000) * DENSEST_KG_L;
}

/**
 * Returns how many full containers a weight makes, and what is left over, kg. A part-filled jar is not canned.
 *
 * @param massKg kg, ≥ 0
 * @param kgEach what one takes, kg, > 0
 * @throws RangeError outside those ranges
 */
export function fullContainers(massKg: number, kgEach: number): { count: number; leftKg: number } {
  if (!(kgEach > 0) || !(massKg >= 0)) throw new RangeError("weights must be above 0 kg");
  const count = Math.floor(massKg / kgEach + 1e-9);
  return { count, leftKg: Math.max(0, massKg - count * kgEach) };
}
