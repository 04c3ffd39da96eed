/** Thickness of the sheet metal of one can, mm. */
export interface Plates {
  /** end (lid) */
  endPlateMm: number;
  /** body */
  bodyPlateMm: number;
}

/** A double seam at one place round the can, as taken apart and measured, mm. */
export interface SeamMeasures extends Plates {
  coverHookMm: number;
  bodyHookMm: number;
  /** width, which is also called length or height: along the can's axis */
  widthMm: number;
  thicknessMm: number;
  /** the worst wrinkle, as part of the cover hook's length, 0 to 100 */
  wrinklePercent?: number | undefined;
}

export interface SeamFigures {
  overlapMm: number;
  overlapPercent: number;
  bodyHookButtingPercent: number;
  freeSpaceMm: number;
  tightnessPercent?: number;
}

/**
 * Returns the theoretical overlap of the hooks, mm; below 0 when they do not meet.
 *
 * Source: 21 CFR 113.60(a)(1), CH + BH + T − W, from memory.
 * @param m mm, > 0
 */
export function overlapMm(
  m: Pick<SeamMeasures, "coverHookMm" | "bodyHookMm" | "endPlateMm" | "widthMm">,
): number {
  return m.coverHookMm + m.bodyHookMm + m.endPlateMm - m.widthMm;
}

/**
 * Returns the length inside a seam in which hooks could overlap, mm. Industry seam practice, from memory.
 *
 * @param m mm, > 0
 */
export function innerLengthMm(m: Plates & { widthMm: number }): number {
  return m.widthMm - (2 * m.endPlateMm + m.bodyPlateMm);
}

/**
 * Returns the overlap as a part of the most there could be, percent. Industry seam practice, from memory.
 *
 * @param overlap mm
 * @param m mm, > 0
 */
export function overlapPercent(overlap: number, m: Plates & { widthMm: number }): number {
  return (100 * overlap) / innerLengthMm(m);
}

/**
 * Returns how far the body hook reaches into the seam, percent. Industry seam practice, from memory.
 *
 * @param m mm, > 0
 */
export function bodyHookButtingPercent(m: Plates & { bodyHookMm: number; widthMm: number }): number {
  return (
    (100 * (m.bodyHookMm - 1.1 * m.bodyPlateMm)) / (m.widthMm - 1.1 * (2 * m.endPlateMm + m.bodyPlateMm))
  );
}

/**
 * Returns the seam's thickness less its five plates, mm; below 0 when a measure is wrong. Industry seam practice, from
 * memory.
 *
 * @param m mm, > 0
 */
export function freeSpaceMm(m: Plates & { thicknessMm: number }): number {
  return m.thicknessMm - fivePlatesMm(m);
}

/**
 * Returns the thickness of the five plates in a seam, two of the body and three of the end, mm.
 *
 * @param m mm, > 0
 */
export function fivePlatesMm(m: Plates): number {
  return 2 * m.bodyPlateMm + 3 * m.endPlateMm;
}

/**
 * Returns everything that follows from the measures of one place: overlap, mm and percent, butting, percent, and free
 * space, mm.
 *
 * Sources: 21 CFR 113.60(a)(1) for the overlap, industry seam practice for the others; from memory.
 * @param m mm, > 0
 */
export function deriveSeam(m: SeamMeasures): SeamFigures {
  const overlap = overlapMm(m);
  return {
    overlapMm: overlap,
    overlapPercent: overlapPercent(overlap, m),
    bodyHookButtingPercent: bodyHookButtingPercent(m),
    freeSpaceMm: freeSpaceMm(m),
    ...(m.wrinklePercent === undefined ? {} : { tightnessPercent: 100 - m.wrinklePercent }),
  };
}
