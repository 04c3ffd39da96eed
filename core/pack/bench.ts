import { formatFraction } from "../quantity/index.ts";
import {
  isCan,
  isHalfLiquid,
  type ContainerKey,
  type Mouth,
  type PackMethod,
  type ProductKey,
} from "../schedule/index.ts";
import type { FillEstimate } from "./fill.ts";
import type { Liquid } from "./addition.ts";

/** How one part of a load is packed. */
export interface PartHow {
  liquid: Liquid;
  saltTsp: number;
  /** inches from the rim */
  headspaceIn: number;
  reusedLids: boolean;
}

/** One lot's share of a load: like containers, filled by one method. */
export interface BenchPart extends PartHow {
  lotId: string;
  product: ProductKey;
  method: PackMethod;
  container: ContainerKey;
  mouth: Mouth | null;
  /** containers planned */
  planned: number;
}

/**
 * Returns the parts of a load in the order they are filled: raw packs first, hot packs last, so that they stay hot.
 * Common practice, no source.
 */
export function fillingOrder<T extends { method: PackMethod }>(parts: readonly T[]): T[] {
  return [...parts].sort((a, b) => Number(a.method === "hot") - Number(b.method === "hot"));
}

export interface PackStep {
  key: string;
  do: string;
  /** why, in a few words; null where it is plain */
  why: string | null;
}

const step = (key: string, text: string, why: string | null = null): PackStep => ({ key, do: text, why });

/**
 * Returns the steps of filling one container, in order, each with its reason or null.
 *
 * Source: USDA 2015, Guides 1 and 5, from memory, for jars; cans are common practice, no source.
 * @param fatty the rim is wiped twice, because fat keeps a lid from sealing
 * @param dish a mixed dish, which goes in by its recipe
 */
export function packSteps(
  part: Pick<BenchPart, "method" | "container" | "liquid" | "saltTsp" | "product">,
  fatty: boolean,
  dish = false,
): PackStep[] {
  const pour = part.liquid !== "none";
  const salt = part.saltTsp > 0 ? [step("salt", "Salt", "flavor only")] : [];
  if (isCan(part.container))
    return [
      step(
        "fill",
        part.product === "can-fish" ? "Fill solid" : "Fill loosely",
        part.product === "can-fish" ? "no gaps" : "the liquid runs between",
      ),
      ...salt,
      ...(pour || part.method === "hot" ? [step("liquid", `Boiling ${pour ? part.liquid : "liquid"}`)] : []),
      step("headspace", "Gauge on the rim", "top up or take out"),
      step("flange", "Wipe the flange"),
      step("exhaust", "Into the bath, open", "lid only when it is hot"),
    ];
  return [
    step("jar", part.method === "hot" ? "Hot jar" : "Warm jar", "glass breaks between hot and cold"),
    ...(dish
      ? [
          step(
            "fill",
            "Solids first, hot",
            isHalfLiquid(part.product) ? "half the jar, no more" : "as much as stands above",
          ),
          ...salt,
          step("liquid", "Hot liquid over them", "to the headspace"),
        ]
      : [
          step("fill", part.method === "hot" ? "Fill loosely, hot" : "Fill, pressed in"),
          ...salt,
          ...(pour
            ? [step("liquid", part.method === "hot" ? `Hot ${part.liquid}` : `A little ${part.liquid}`)]
            : []),
        ]),
    step("air", "Work out the air", "blade down the wall, all round"),
    step("headspace", "Gauge on the rim", "top up or take out"),
    step(
      "wipe",
      fatty ? "Wipe the rim twice, vinegar" : "Wipe the rim",
      fatty ? "fat keeps lids from sealing" : "grease keeps lids from sealing",
    ),
    step("lid", "Lid, band fingertip tight", "tighter and it buckles"),
  ];
}

/** Well under what such a container takes: it is part-filled. Common practice, no source. */
const PART_FILLED = 0.85;
/** Well over: the headspace is gone. Common practice, no source. */
const OVERFILLED = 1.15;

export type WeightSays = "full" | "part-filled" | "overfilled";

/**
 * Returns whether the weight of one container's food fits what such a container takes: full, part-filled or
 * overfilled. Limits are common practice, no source.
 *
 * @param kg weight of the food, kg, ≥ 0
 * @param estimate what one takes, kg
 */
export function judgeFill(
  kg: number,
  estimate: Pick<FillEstimate, "kgEach" | "lowKg" | "highKg">,
): WeightSays {
  if (kg < Math.min(estimate.lowKg, PART_FILLED * estimate.kgEach)) return "part-filled";
  return kg > Math.max(estimate.highKg, OVERFILLED * estimate.kgEach) ? "overfilled" : "full";
}

/** How a part goes against its plan. */
export interface PartProgress {
  filled: number;
  planned: number;
  /** meat in them, kg */
  packedKg: number;
  /** containers that come out in all, at what one takes now */
  comesTo: number;
  /** meat that then fills no container, kg */
  restKg: number;
  /** the lot does not fill another one */
  outOfMeat: boolean;
}

/**
 * Returns how a part of a load compares with its plan: containers filled, food in them, kg, and how many there will
 * be.
 *
 * @param filled weights of the filled containers, kg, ≥ 0
 * @param planned whole, ≥ 0
 * @param leftKg weight left of the lot, kg, ≥ 0
 * @param kgEach what one container takes, kg, > 0
 * @throws RangeError when `kgEach` is not above 0
 */
export function progressOf(
  filled: readonly { massKg: number }[],
  planned: number,
  leftKg: number,
  kgEach: number,
): PartProgress {
  if (!(kgEach > 0)) throw new RangeError("what a container takes is above 0 kg");
  const more = Math.floor(leftKg / kgEach + 0.02);
  return {
    filled: filled.length,
    planned,
    packedKg: filled.reduce((sum, c) => sum + c.massKg, 0),
    comesTo: filled.length + more,
    restKg: Math.max(0, leftKg - more * kgEach),
    outOfMeat: more < 1,
  };
}

/** Something done otherwise than the table says, or by a habit of its own school. */
export interface PackDeviation {
  key: "headspace" | "reused-lids" | "liquid-on-raw" | "added-to-fish";
  /** `common`: common practice beside the published directions, with no change of time; it needs no reason of its own */
  kind: "deviation" | "common";
  text: string;
}

/**
 * Returns how a part departs from the published directions; empty when it does not.
 *
 * Source: USDA 2015, from memory, for the published side; the others are common practice, no source.
 * @param publishedIn published headspace, inches, > 0
 * @param addedToFish ketchup and vinegar in a pack of fish, as written
 */
export function deviationsOf(
  how: Pick<PartHow, "liquid" | "headspaceIn" | "reusedLids">,
  method: PackMethod,
  publishedIn: number,
  addedToFish: readonly string[] = [],
): PackDeviation[] {
  const found: PackDeviation[] = [];
  if (Math.abs(how.headspaceIn - publishedIn) > 1e-6)
    found.push({
      key: "headspace",
      kind: "deviation",
      text: `${formatFraction(how.headspaceIn)} in headspace instead of ${formatFraction(publishedIn)} in`,
    });
  if (how.reusedLids)
    found.push({
      key: "reused-lids",
      kind: "deviation",
      text: "lids used before: not to the tested process",
    });
  if (method === "raw" && how.liquid !== "none")
    found.push({
      key: "liquid-on-raw",
      kind: "common",
      text: `${how.liquid} on a raw pack, which makes its own juice: more is lost in the canner`,
    });
  for (const text of addedToFish)
    found.push({ key: "added-to-fish", kind: "common", text: `${text} with the fish` });
  return found;
}

/**
 * Returns the headspaces in use for a container beside the published one, inches; empty when there are none. Common
 * practice, no source.
 */
export function otherHeadspaces(product: ProductKey, container: ContainerKey): number[] {
  if (container === "jar-quarter-pint") return [0.5];
  return product.startsWith("poultry") ? [1] : [];
}

/** Where a part-filled last container's meat may go instead. It is never canned part-filled. */
export const REST_WAYS = ["fridge", "freezer", "eat", "other-lot", "none"] as const;
export type RestWay = (typeof REST_WAYS)[number];
