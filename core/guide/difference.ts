import {
  figuresAsked,
  publishedFigures,
  type FigureAsked,
  type FigureKey,
  type ProductKey,
  type RowFigures,
} from "../schedule/index.ts";

/** One figure that a guide and the tables have otherwise. */
export interface RowDifference {
  asked: FigureAsked;
  /** in the unit asked for; null for none */
  ours: number | null;
  theirs: number | null;
  /**
   * `safer`: the guide asks for more, or gives less leave, and is followed at once. `weaker`: it asks for less, or gives
   * more leave. `other`: neither is plainly safe.
   */
  kind: "safer" | "weaker" | "other";
}

/** Figures are read off paper: closer than this they are the same. */
const SAME = 1e-3;

/** What the tables use where a half-pint has no time of its own: the pint's. */
function oursOf(key: FigureKey, ours: RowFigures, asPint: boolean): number | null {
  return (key === "half-pint" && asPint ? ours.pint : ours[key]) ?? null;
}

function kindOf(
  { safer, fixed }: FigureAsked,
  ours: number | null,
  theirs: number | null,
): RowDifference["kind"] {
  if (safer === null) return "other";
  // A size or a gauge without a figure has no process: leaving it out is safe, adding it is not.
  if (theirs === null) return "safer";
  if (ours === null) return "weaker";
  const isSafer = safer === "more" ? theirs > ours : theirs < ours;
  // The program works with this one figure: a stricter one cannot be followed here.
  if (fixed && isSafer) return "other";
  return isSafer ? "safer" : "weaker";
}

/**
 * Returns where a row as typed from a guide differs from the tables, in the order it is asked; empty when it is the same.
 *
 * @param typed every figure asked for, in its unit; null for none
 */
export function compareRow(product: ProductKey, typed: RowFigures): RowDifference[] {
  const published = publishedFigures(product);
  return figuresAsked(product).flatMap((asked): RowDifference[] => {
    const theirs = typed[asked.key] ?? null;
    // Without a time of its own in either, a half-pint takes the pint's.
    const asPint = asked.key === "half-pint" && (published["half-pint"] ?? null) === null;
    if (asPint && theirs === null) return [];
    const ours = oursOf(asked.key, published, asPint);
    if (ours === theirs || (ours !== null && theirs !== null && Math.abs(ours - theirs) < SAME)) return [];
    return [{ asked, ours, theirs, kind: kindOf(asked, ours, theirs) }];
  });
}
