import { type LabelStock } from "./stock.ts";

/** Where one label is printed: which page, from 0, and its upper left corner, mm. */
export interface LabelPlace {
  page: number;
  x: number;
  y: number;
}

/**
 * Where so many labels go, row by row, on as few pages as they need.
 * @param skip labels of the first sheet that are gone already, from 0; rolls have none
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
