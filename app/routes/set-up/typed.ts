import {
  figuresOf,
  limitsFrom,
  readSeamLength,
  type Plates,
  type PositionFigures,
  type SeamDimension,
  type SeamLength,
  type SeamLimits,
  type SeamPosition,
} from "#core/seam";

/** The fields of a sheet as they are being typed, by name: `width0`, `endPlate`. */
export type Typed = Record<string, string | undefined>;

/** Rows of the sheet, top to bottom. */
export const ROWS = ["width", "thickness", "countersink", "bodyHook", "coverHook", "overlap"] as const;

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
export function placeOf(typed: Typed, i: number): SeamPosition {
  const percent = Number((typed[`wrinklePercent${i}`] ?? "").replace("%", "") || Number.NaN);
  return {
    width: lengthOf(typed, `width${i}`, "width"),
    thickness: lengthOf(typed, `thickness${i}`, "thickness"),
    countersink: lengthOf(typed, `countersink${i}`, "countersink"),
    bodyHook: lengthOf(typed, `bodyHook${i}`, "bodyHook"),
    coverHook: lengthOf(typed, `coverHook${i}`, "coverHook"),
    overlap: lengthOf(typed, `overlap${i}`, "overlap"),
    wrinklePercent: Number.isFinite(percent) ? percent : null,
  };
}

/** Everything that follows from what is typed of one place; null while a plate is missing. */
export function figuresTyped(typed: Typed, i: number): PositionFigures | null {
  const plates = platesOf(typed);
  return plates && figuresOf(placeOf(typed, i), plates);
}

/** Plates of a common end and body, mm, to show limits by before any are typed. Typical, from memory. */
const USUAL_PLATES: Plates = { endPlateMm: 0.2286, bodyPlateMm: 0.2032 };

export function limitsTyped(typed: Typed, own: Parameters<typeof limitsFrom>[0]): SeamLimits {
  return limitsFrom(own, platesOf(typed) ?? USUAL_PLATES);
}

export const usualPlates = (typed: Typed): Plates => platesOf(typed) ?? USUAL_PLATES;

/** What a dimension is typed as, where it is. */
export const typedRow = (d: SeamDimension): boolean => (ROWS as readonly string[]).includes(d);
