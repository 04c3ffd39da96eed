/** Where a figure comes from, carried by everything that is decided from it. */
export interface Source {
  /** what the figure is printed or taught in */
  name: string;
  /** where in it */
  locator: string;
  /** written down here without the printed copy at hand; compare before relying on it */
  fromMemory: boolean;
}

const USDA = "USDA Complete Guide to Home Canning, Agriculture Information Bulletin 539, revised 2015";

/**
 * Returns the published guide as a source, with where in it a figure stands. Its figures were written from memory and
 * not yet compared with a printed copy.
 *
 * @param locator such as `Guide 5, meats and poultry`
 */
export function usda2015(locator: string): Source {
  return { name: USDA, locator, fromMemory: true };
}

/** Widely taught, with no published source to name. */
export const COMMON_PRACTICE: Source = {
  name: "Common practice",
  locator: "no published source",
  fromMemory: false,
};

/** Returns `tested` when a row rests on a published source, else `common-practice`. */
export function outcomeFor(source: Source): "tested" | "common-practice" {
  return source.name === USDA ? "tested" : "common-practice";
}

/** Which edition of these tables decided a record; written into every snapshot. */
export const TABLE_EDITION = "2026-11b";
