import type { SealFinding } from "./seal.ts";

/** Liquid of a jar against how it was filled: as then, some lost, or half or more of it lost. */
export const LEVELS = ["full", "half", "low"] as const;
export type LiquidLevel = (typeof LEVELS)[number];

/** Ends of a can: drawn in as they should be, flat or springy, or pushed out. */
export const ENDS = ["drawn-in", "flat", "bulged"] as const;
export type EndLook = (typeof ENDS)[number];

/** Seams of a can: smooth and dry, or not. */
export const SEAM_LOOKS = ["dry", "damp", "rough"] as const;
export type SeamLook = (typeof SEAM_LOOKS)[number];

/** What was seen of a container after its rest. What nobody said is left out. */
export interface SealLook {
  /** jars: the lid is down and does not give under a finger */
  lid?: "down" | "flexes";
  level?: LiquidLevel;
  /** jars: the band could be turned without force: recorded, since it hides a lost seal and lets food under the lid */
  looseBand?: boolean;
  ends?: EndLook;
  seam?: SeamLook;
}

/** What a look comes to, and why; `why` is empty for a sound one. */
export interface SealVerdict {
  finding: SealFinding;
  why: string;
}

/**
 * Returns what a look at a rested container means: sealed, or failed and why. A jar is sealed when its lid is down and
 * still and it lost less than half of its liquid; a can when both ends are drawn in and its seams are smooth and dry.
 *
 * Source: USDA 2015, Guide 1 (testing jar seals), from memory; half of the liquid, and cans, are common practice, no
 * source.
 * @param covered it was filled with liquid over the food; a raw pack makes its own juice, and its level decides
 *   nothing
 */
export function sealVerdict(look: SealLook, covered = true): SealVerdict {
  const failed = (why: string): SealVerdict => ({ finding: "failed", why });
  if (look.lid === "flexes") return failed("its lid gives under a finger");
  if (look.level === "low" && covered) return failed("half or more of its liquid is lost");
  if (look.ends === "bulged") return failed("an end is pushed out");
  if (look.ends === "flat") return failed("an end is not drawn in");
  if (look.seam === "damp") return failed("its seam is not dry");
  if (look.seam === "rough") return failed("its seam is not smooth");
  return { finding: "sealed", why: "" };
}

/**
 * Returns containers in the order they were lifted out, as recorded at the stove; those not recorded come after, in
 * the order given.
 */
export function unloadingOrder<T extends { code: string }>(
  containers: readonly T[],
  out: readonly { container: string }[],
): T[] {
  const place = new Map(out.map((o, i) => [o.container, i]));
  return containers
    .map((c, i) => ({ c, at: place.get(c.code) ?? out.length + i }))
    .sort((a, b) => a.at - b.at)
    .map(({ c }) => c);
}
