import { MM_PER_IN } from "#core/quantity";
import type { ContainerShape } from "../schedule/index.ts";

/** A jar's nominal volume lies below its brim by about this much of its neck, mm. From memory. */
const BRIM_MM = MM_PER_IN / 2;
/** The rim lies below the top of a jar's lid, mm, as drawn. */
export const RIM_BELOW_TOP_MM = 3;
/** Straight part of a jar's neck, mm. Typical, from memory. */
const NECK_MM = 19;
/** Glass under a jar's contents, mm. Typical, from memory. */
const BASE_MM = 5;
/** Seams stand out from a can's wall by this on each side, mm. Typical, from memory. */
const SEAM_OUT_MM = 2;

/** The inside of a container as radius against depth: straight pieces, mm, from the rim down. */
export interface Profile {
  /** depth below the rim and inside radius there, mm, in order; the radius is straight between */
  steps: { depthMm: number; radiusMm: number }[];
  depthMm: number;
}

const coneMl = (r0: number, r1: number, h: number) =>
  ((Math.PI * h) / 3) * (r0 * r0 + r0 * r1 + r1 * r1) * 1e-3;

/**
 * Returns the volume of a container below a depth, ml, ≥ 0.
 *
 * @param fromMm depth below the rim, mm, ≥ 0
 */
export function volumeBelow(profile: Profile, fromMm: number): number {
  let ml = 0;
  for (let i = 1; i < profile.steps.length; i++) {
    const a = profile.steps[i - 1]!;
    const b = profile.steps[i]!;
    if (b.depthMm <= fromMm || b.depthMm === a.depthMm) continue;
    const top = Math.max(a.depthMm, fromMm);
    const t = (top - a.depthMm) / (b.depthMm - a.depthMm);
    ml += coneMl(a.radiusMm + t * (b.radiusMm - a.radiusMm), b.radiusMm, b.depthMm - top);
  }
  return ml;
}

const known = new Map<string, Profile>();

/**
 * Returns the inside of a container as radius against depth, mm, computed from its outside measures so that it holds
 * its nominal volume. Typical measures, from memory.
 */
export function profileOf(shape: ContainerShape): Profile {
  const key = `${shape.key} ${shape.mouth}`;
  const found = known.get(key) ?? (shape.mouthInsideMm === null ? can(shape) : jar(shape));
  known.set(key, found);
  return found;
}

function can(shape: ContainerShape): Profile {
  const r = shape.outsideDiameterMm / 2 - SEAM_OUT_MM;
  const depthMm = (shape.nominalMl * 1000) / (Math.PI * r * r);
  return { depthMm, steps: [0, depthMm].map((d) => ({ depthMm: d, radiusMm: r })) };
}

function jar(shape: ContainerShape): Profile {
  const depthMm = shape.heightMm - RIM_BELOW_TOP_MM - BASE_MM;
  const mouth = shape.mouthInsideMm! / 2;
  const shoulder = Math.min(24, depthMm * 0.22);
  const made = (body: number): Profile => ({
    depthMm,
    steps: [
      { depthMm: 0, radiusMm: mouth },
      { depthMm: Math.min(NECK_MM, depthMm / 3), radiusMm: mouth },
      { depthMm: Math.min(NECK_MM, depthMm / 3) + shoulder, radiusMm: body },
      { depthMm, radiusMm: body },
    ],
  });
  // The wider the body, the more it holds: halve until it is right.
  let [low, high] = [mouth / 2, shape.outsideDiameterMm / 2];
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (volumeBelow(made(mid), BRIM_MM) < shape.nominalMl) low = mid;
    else high = mid;
  }
  return made((low + high) / 2);
}

/**
 * Returns the room below the headspace, ml, ≥ 0. Typical measures, from memory.
 *
 * @param headspaceIn inches below the rim, ≥ 0
 */
export function usableMl(shape: ContainerShape, headspaceIn: number): number {
  return volumeBelow(profileOf(shape), headspaceIn * MM_PER_IN);
}

/**
 * Returns the depth below the rim, mm, at which so much stands in a container; the rim itself when it holds no more.
 * Typical measures, from memory.
 *
 * @param ml what stands in it, ml, ≥ 0
 */
export function depthOf(shape: ContainerShape, ml: number): number {
  const profile = profileOf(shape);
  let [low, high] = [0, profile.depthMm];
  for (let i = 0; i < 50; i++) {
    const mid = (low + high) / 2;
    if (volumeBelow(profile, mid) > ml) low = mid;
    else high = mid;
  }
  return high;
}
