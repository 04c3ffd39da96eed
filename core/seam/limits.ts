import { MM_PER_IN } from "#core/quantity";
import { type SeamDimension, DIMENSIONS } from "./dimension.ts";
import { fivePlatesMm, type Plates } from "./measure.ts";
import { figuresOf, type PositionFigures, type SeamSheet } from "./sheet.ts";

/** From and to; null where nothing is said. Lengths mm, the rest per cent. */
export interface Range {
  low: number | null;
  high: number | null;
}

/** What a seam is judged by. */
export interface SeamLimits {
  ranges: Record<SeamDimension, Range>;
  /** whose they are */
  source: string;
  /** the shipped starting values, which wait to be replaced by the maker's */
  typical: boolean;
}

/** Plates of a common end and body, to show limits by before any are measured. Typical, from memory. */
export const USUAL_PLATES: Plates = { endPlateMm: 0.009 * MM_PER_IN, bodyPlateMm: 0.008 * MM_PER_IN };

const around = (mid: number, by: number): Range => ({
  low: (mid - by) * MM_PER_IN,
  high: (mid + by) * MM_PER_IN,
});
const atLeast = (low: number): Range => ({ low, high: null });

/**
 * Returns seam limits, mm and percent, to use until the maker's own are entered: width 0.115 ± 0.005 in, thickness
 * five plates + 0.003 to 0.008 in, body hook 0.080 ± 0.008, cover hook 0.078 ± 0.008, countersink 0.125 ± 0.005,
 * overlap at least 0.040 in and 45 %, butting and tightness 70 %.
 *
 * Typical, from memory.
 * @param plates thicknesses of body and end plate, mm, > 0
 */
export function typicalLimits(plates: Plates): SeamLimits {
  const five = fivePlatesMm(plates);
  return {
    typical: true,
    source: "typical, from memory; replace with your maker’s",
    ranges: {
      width: around(0.115, 0.005),
      thickness: { low: five + 0.003 * MM_PER_IN, high: five + 0.008 * MM_PER_IN },
      countersink: around(0.125, 0.005),
      bodyHook: around(0.08, 0.008),
      coverHook: around(0.078, 0.008),
      overlap: atLeast(0.04 * MM_PER_IN),
      overlapPercent: atLeast(45),
      butting: atLeast(70),
      tightness: atLeast(70),
    },
  };
}

/**
 * Returns the maker's limits, mm and percent, with typical ones (from memory) where the maker gives none.
 *
 * @param own null when the maker's are not entered
 */
export function limitsFrom(
  own: { ranges: Partial<Record<SeamDimension, Range>>; source: string } | null,
  plates: Plates,
): SeamLimits {
  const typical = typicalLimits(plates);
  if (!own) return typical;
  return { typical: false, source: own.source, ranges: { ...typical.ranges, ...own.ranges } };
}

export type Out = "low" | "high";

/**
 * Returns whether a figure is above or below a range; null inside it. A millionth of a millimeter of rounding is
 * allowed.
 */
export function beyond(value: number, { low, high }: Range): Out | null {
  if (low !== null && value < low - 1e-6) return "low";
  return high !== null && value > high + 1e-6 ? "high" : null;
}

/** One dimension of a sheet against its limits, by the place that is worst. */
export interface Judged {
  dimension: SeamDimension;
  /** at each place; null where not known */
  values: (number | null)[];
  /** the one farthest out, or nearest to being out */
  worst: number | null;
  position: number | null;
  out: Out | null;
  range: Range;
}

/** Returns each dimension of a measured seam against its limits. One that was not measured is not judged. */
export function judgeSheet(sheet: SeamSheet, limits: SeamLimits): Judged[] {
  return judgePlaces(
    sheet.positions.map((p) => figuresOf(p, sheet)),
    limits,
  );
}

/** Returns each place a seam was measured at against the limits, in the order given. */
export function judgePlaces(places: readonly PositionFigures[], limits: SeamLimits): Judged[] {
  return DIMENSIONS.map((dimension) => {
    const range = limits.ranges[dimension];
    const values = places.map((f) => f[dimension]);
    const known = values.flatMap((v, position) => (v === null ? [] : [{ v, position }]));
    const room = (v: number) => Math.min(v - (range.low ?? -Infinity), (range.high ?? Infinity) - v);
    const worst = known.sort((a, b) => room(a.v) - room(b.v))[0];
    return {
      dimension,
      values,
      worst: worst?.v ?? null,
      position: worst?.position ?? null,
      out: worst ? beyond(worst.v, range) : null,
      range,
    };
  });
}

/** Returns whether every judged dimension is inside its limits; true for none. */
export const passes = (judged: readonly Judged[]): boolean => judged.every((j) => j.out === null);

/**
 * Returns the seam in the middle of the limits, mm, for drawing beside a measured one. Its overlap follows from the
 * others.
 */
export function midSeam(limits: SeamLimits, plates: Plates) {
  const mid = (d: SeamDimension): number => {
    const { low, high } = limits.ranges[d];
    return low !== null && high !== null ? (low + high) / 2 : (low ?? high ?? 0);
  };
  return {
    ...plates,
    widthMm: mid("width"),
    thicknessMm: mid("thickness"),
    bodyHookMm: mid("bodyHook"),
    coverHookMm: mid("coverHook"),
    countersinkMm: mid("countersink"),
  };
}
