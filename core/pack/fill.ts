import { type ContainerKey, type PackMethod, type ProductKey } from "../schedule/index.ts";

const LB = 0.45359237;

/** Expected weight of one filled container, with where the figure comes from. */
export interface FillEstimate {
  kgEach: number;
  source: "common practice" | "these packs";
  /** how many recorded packs stand behind it */
  packs: number;
}

/** Raw weight a pint takes, kg, by how it goes in. Common practice, no source. */
function pintKg(product: ProductKey, pack: PackMethod): number {
  if (product === "broth") return 0.473;
  if (pack === "hot" || product.startsWith("poultry")) return 0.9 * LB;
  return 1.1 * LB;
}

/** How many pints each container counts as when filled. Common practice, no source: a quart is twice a pint. */
const PINTS: Record<ContainerKey, number> = {
  "jar-quarter-pint": 0.25,
  "jar-half-pint": 0.5,
  "jar-pint": 1,
  "jar-pint-and-half": 1.5,
  "jar-quart": 1.85,
  "jar-half-gallon": 3.7,
  "can-half-pound": 0.45,
  "can-one-pound": 0.95,
};

/**
 * Weight of raw meat one container is likely to take.
 *
 * Common practice, no source: a little over 1 lb of raw boneless pieces a pint and about 2 lb a quart; about 0.9 lb
 * a pint when hot packed, or loosely raw packed birds; about 1 lb of cleaned fish a one-pound can. Where the
 * household has packed the like before, the mean of its own packs.
 * @param recordedKg weight per container of earlier packs alike, kg
 */
export function fillEstimate(
  product: ProductKey,
  pack: PackMethod,
  container: ContainerKey,
  recordedKg: readonly number[] = [],
): FillEstimate {
  if (recordedKg.length > 0) {
    const mean = recordedKg.reduce((a, b) => a + b, 0) / recordedKg.length;
    return { kgEach: mean, source: "these packs", packs: recordedKg.length };
  }
  const kgEach = container === "can-one-pound" ? LB : pintKg(product, pack) * PINTS[container];
  return { kgEach, source: "common practice", packs: 0 };
}

/** Full containers a weight makes, and what is left over. A part-filled jar is not canned. */
export function fullContainers(massKg: number, kgEach: number): { count: number; leftKg: number } {
  if (!(kgEach > 0) || !(massKg >= 0)) throw new RangeError("weights must be above 0 kg");
  const count = Math.floor(massKg / kgEach + 1e-9);
  return { count, leftKg: Math.max(0, massKg - count * kgEach) };
}
