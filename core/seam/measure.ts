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
 * How far the hooks lie over one another, mm: cover hook + body hook + end plate − width. Below 0 they do not meet.
 * Source: 21 CFR 113.60(a)(1), theoretical overlap length = CH + BH + T − W; from memory.
 */
export function overlapMm(
  m: Pick<SeamMeasures, "coverHookMm" | "bodyHookMm" | "endPlateMm" | "widthMm">,
): number {
  return m.coverHookMm + m.bodyHookMm + m.endPlateMm - m.widthMm;
}

/** Length inside a seam in which hooks could overlap at all, mm. Industry seam practice, from memory. */
export function innerLengthMm(m: Plates & { widthMm: number }): number {
  return m.widthMm - (2 * m.endPlateMm + m.bodyPlateMm);
}

/** The overlap as part of the most there could be, per cent. Industry seam practice, from memory. */
export function overlapPercent(overlap: number, m: Plates & { widthMm: number }): number {
  return (100 * overlap) / innerLengthMm(m);
}

/** How far the body hook reaches into the seam, per cent. Industry seam practice, from memory. */
export function bodyHookButtingPercent(m: Plates & { bodyHookMm: number; widthMm: number }): number {
  return (
    (100 * (m.bodyHookMm - 1.1 * m.bodyPlateMm)) / (m.widthMm - 1.1 * (2 * m.endPlateMm + m.bodyPlateMm))
  );
}

/** What the thickness has over its five plates, mm. Industry seam practice, from memory. */
export function freeSpaceMm(m: Plates & { thicknessMm: number }): number {
  return m.thicknessMm - fivePlatesMm(m);
}

/** Two of the body and three of the end lie in a seam, mm. */
export function fivePlatesMm(m: Plates): number {
  return 2 * m.bodyPlateMm + 3 * m.endPlateMm;
}

/** Everything that follows from the measures of one place. */
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
