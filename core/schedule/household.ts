import type { RowFigures } from "./figures.ts";
import type { ProductKey } from "./table.ts";

/** One person's word that a row stands in their own copy of a guide as it is used. */
export interface ConfirmedBy {
  name: string;
  /** ms since 1970 UTC */
  at: number;
  /** title of the guide, the year of its edition, and the page */
  guide: string;
  edition: number;
  page: string;
}

/** That a row was compared with the household's own guide, as it is kept with each pack and run. */
export interface Confirmation {
  by: readonly ConfirmedBy[];
  /** two persons typed it, each for themselves */
  two: boolean;
  /** figures of the household's guide that are used in place of the tables', as `Quarts: 95 min (table: 90 min)` */
  own?: readonly string[];
  /** figures of the household's guide that are not used, in the same words: the table's are kept */
  kept?: readonly string[];
}

/** How a row of the tables stands in a household that compared it with its own guide. */
export interface HouseholdRow {
  /** why there is no process by this row until somebody decides, in a sentence; null when there is one */
  stopped: string | null;
  /** what is used, figure by figure: the tables', and what the household's guide has in their place */
  figures: RowFigures;
  /** null when it is not confirmed, or not any more */
  confirmation: Confirmation | null;
}

/** Rows that a household compared; a row that is not in it stands as the tables have it. */
export type HouseholdRows = Readonly<Partial<Record<ProductKey, HouseholdRow>>>;

/** The rows of a household that compared none. */
export const AS_PUBLISHED: HouseholdRows = {};
