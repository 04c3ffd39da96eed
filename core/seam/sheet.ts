import { DIMENSION_NAMES, MEASURED_BY, POSITIONS, type SeamDimension, type SeamMethod } from "./dimension.ts";
import {
  bodyHookButtingPercent,
  fivePlatesMm,
  freeSpaceMm,
  innerLengthMm,
  overlapMm,
  overlapPercent,
  type Plates,
} from "./measure.ts";

/** What was read at one place; null where it was not. Lengths mm. */
export interface SeamPosition {
  width: number | null;
  thickness: number | null;
  countersink: number | null;
  bodyHook: number | null;
  coverHook: number | null;
  /** read off the projector; with a micrometer it is worked out */
  overlap: number | null;
  wrinklePercent: number | null;
}

/** A tear-down: one empty can, taken apart. */
export interface SeamSheet extends Plates {
  method: Exclude<SeamMethod, "eye">;
  positions: SeamPosition[];
}

/** Everything known of one place; null where it cannot be known from what was read. Lengths mm, the rest per cent. */
export type PositionFigures = Record<SeamDimension, number | null> & { freeSpaceMm: number | null };

/**
 * Returns the measures of one place with everything that follows from them, mm and percent; null where something was
 * not measured.
 *
 * @param plates mm, > 0
 */
export function figuresOf(p: SeamPosition, plates: Plates): PositionFigures {
  const { width, bodyHook, thickness } = p;
  const coverHook =
    p.coverHook ??
    // Seen on a projector, the cover hook follows from the overlap, by the same formula.
    (p.overlap !== null && width !== null && bodyHook !== null
      ? p.overlap + width - bodyHook - plates.endPlateMm
      : null);
  const overlap =
    p.overlap ??
    (width !== null && bodyHook !== null && coverHook !== null
      ? overlapMm({ ...plates, coverHookMm: coverHook, bodyHookMm: bodyHook, widthMm: width })
      : null);
  return {
    width,
    thickness,
    countersink: p.countersink,
    bodyHook,
    coverHook,
    overlap,
    overlapPercent:
      overlap !== null && width !== null ? overlapPercent(overlap, { ...plates, widthMm: width }) : null,
    butting:
      bodyHook !== null && width !== null
        ? bodyHookButtingPercent({ ...plates, bodyHookMm: bodyHook, widthMm: width })
        : null,
    tightness: p.wrinklePercent === null ? null : 100 - p.wrinklePercent,
    freeSpaceMm: thickness === null ? null : freeSpaceMm({ ...plates, thicknessMm: thickness }),
  };
}

/** Something on a sheet that cannot be: the field to blame (`2.width`, `endPlate`) and a sentence. */
export interface SheetProblem {
  field: string;
  message: string;
}

/** A seam pressed in a micrometer may read this much less than its plates, mm. Common practice, no source. */
const SQUEEZE_MM = 0.1;

/**
 * Returns what is impossible in the measures of one place, with the field to correct; empty when nothing is.
 *
 * @param plates mm, > 0
 * @param at prefix of the field names
 */
export function impossible(p: SeamPosition, plates: Plates, at = ""): SheetProblem[] {
  const found: SheetProblem[] = [];
  const no = (field: string, message: string) => found.push({ field: `${at}${field}`, message });
  const { width, thickness } = p;
  for (const key of ["width", "thickness", "bodyHook", "coverHook"] as const) {
    const value = p[key];
    if (value !== null && !(value > 0)) no(key, "A length is more than zero.");
  }
  if (width !== null && innerLengthMm({ ...plates, widthMm: width }) <= 0)
    no("width", "The seam is no wider than the plates folded in it. Measure again.");
  for (const [key, name] of [
    ["bodyHook", "body hook"],
    ["coverHook", "cover hook"],
  ] as const) {
    const hook = p[key];
    if (width !== null && hook !== null && hook > width)
      no(key, `A ${name} cannot be longer than the seam is wide. Measure again.`);
  }
  if (p.overlap !== null && width !== null && p.overlap > width)
    no("overlap", "The hooks cannot overlap by more than the seam is wide. Measure again.");
  if (thickness !== null && freeSpaceMm({ ...plates, thicknessMm: thickness }) < -SQUEEZE_MM)
    no(
      "thickness",
      `Five plates lie in a seam, ${fivePlatesMm(plates).toFixed(2)} mm in all: it cannot be less. Measure again.`,
    );
  if (p.wrinklePercent !== null && !(p.wrinklePercent >= 0 && p.wrinklePercent <= 100))
    no("wrinklePercent", "A wrinkle is from 0 to 100 percent of the hook.");
  return found;
}

/**
 * Returns what is wrong with a whole sheet: plates, places, and measures its method has to give. Empty when it can be
 * judged.
 */
export function sheetProblems(sheet: SeamSheet): SheetProblem[] {
  const found: SheetProblem[] = [];
  for (const [field, mm] of [
    ["endPlate", sheet.endPlateMm],
    ["bodyPlate", sheet.bodyPlateMm],
  ] as const)
    if (!(mm > 0)) found.push({ field, message: "Sheet metal has a thickness: it is more than zero." });
  if (found.length > 0) return found;
  for (let i = 0; i < POSITIONS; i++) {
    const p = sheet.positions[i];
    const figures = p && figuresOf(p, sheet);
    for (const d of MEASURED_BY[sheet.method].required) {
      if (figures?.[d] === null || !figures) {
        found.push({
          field: `${i}.${d === "tightness" ? "wrinklePercent" : d}`,
          message: `${d === "tightness" ? "Worst wrinkle" : DIMENSION_NAMES[d]} is missing. Measure it at three places, about 120° apart.`,
        });
      }
    }
    if (p) found.push(...impossible(p, sheet, `${i}.`));
  }
  if (sheet.positions.length > POSITIONS)
    found.push({ field: "positions", message: "Three places are measured, no more." });
  return found;
}

/** Returns the mean of a dimension over the places where it is known, mm or percent; null when it is known nowhere. */
export function meanOf(sheet: SeamSheet, d: SeamDimension): number | null {
  const values = sheet.positions.map((p) => figuresOf(p, sheet)[d]).filter((v) => v !== null);
  return values.length > 0 ? values.reduce((a, b) => a + b, 0) / values.length : null;
}
