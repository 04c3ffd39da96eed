import type { LabelStock } from "./stock.ts";

/** Where one label is printed: which page, from 0, and its upper left corner, mm. */
export interface LabelPlace {
  page: number;
  x: number;
  y: number;
}

/**
 * Returns where each label goes, row by row, on as few pages as needed: page, and mm from its top left corner.
 *
 * @param count labels, whole, ≥ 0
 * @param skip labels of the first sheet that are used already, whole, ≥ 0; a roll has none
 */
export function labelPlaces(stock: LabelStock, count: number, skip = 0): LabelPlace[] {
  const each = stock.columns * stock.rows;
  const first = Math.max(0, Math.min(each - 1, Math.floor(skip)));
  return Array.from({ length: count }, (_, i) => {
    const n = i + first;
    const onSheet = n % each;
    return {
      page: Math.floor(n / each),
      x: stock.left + (onSheet % stock.columns) * stock.pitchX,
      y: stock.top + Math.floor(onSheet / stock.columns) * stock.pitchY,
    };
  });
}
