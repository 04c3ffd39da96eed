import {
  PLACE_LENGTHS,
  USUAL_PLATES,
  figuresOf,
  limitsFrom,
  readPercent,
  readSeamLength,
  type Plates,
  type PositionFigures,
  type SeamLength,
  type SeamLimits,
  type SeamPosition,
} from "#core/seam";

/** The fields of a sheet as they are being typed, by name: `width0`, `endPlate`. */
export type Typed = Record<string, string | undefined>;

export function lengthOf(typed: Typed, field: string, what: SeamLength): number | null {
  const read = typed[field] ? readSeamLength(typed[field], what) : null;
  return read && read.outcome !== "none" ? read.mm : null;
}

/** The plates as typed so far; null while one of them is missing. */
export function platesOf(typed: Typed): Plates | null {
  const endPlateMm = lengthOf(typed, "endPlate", "endPlate");
  const bodyPlateMm = lengthOf(typed, "bodyPlate", "bodyPlate");
  return endPlateMm && bodyPlateMm ? { endPlateMm, bodyPlateMm } : null;
}

/** One place as typed so far. */
function placeOf(typed: Typed, i: number): SeamPosition {
  return positionOf((d) => lengthOf(typed, `${d}${i}`, d), readPercent(typed[`wrinklePercent${i}`] ?? ""));
}

/** One place of a sheet from however its lengths are read. */
export function positionOf(
  length: (d: (typeof PLACE_LENGTHS)[number]) => number | null,
  wrinklePercent: number | null,
): SeamPosition {
  const lengths = Object.fromEntries(PLACE_LENGTHS.map((d) => [d, length(d)]));
  return { ...(lengths as Pick<SeamPosition, (typeof PLACE_LENGTHS)[number]>), wrinklePercent };
}

/** Everything that follows from what is typed of one place; null while a plate is missing. */
export function figuresTyped(typed: Typed, i: number): PositionFigures | null {
  const plates = platesOf(typed);
  return plates && figuresOf(placeOf(typed, i), plates);
}

/** The plates to judge by while they are being typed. */
export const usualPlates = (typed: Typed): Plates => platesOf(typed) ?? USUAL_PLATES;

export function limitsTyped(typed: Typed, own: Parameters<typeof limitsFrom>[0]): SeamLimits {
  return limitsFrom(own, usualPlates(typed));
}
