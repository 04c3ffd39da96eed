export { BEFORE_SEASON_DAYS, isYearCheckDue } from "./due.ts";
export { FIGURE_EXAMPLES, readFigure, type TypedFigure } from "./typed.ts";
export { compareRow, type RowDifference } from "./difference.ts";
export {
  TABLES_EDITION_YEAR,
  differenceText,
  figureText,
  householdRow,
  isReplaced,
  rowStanding,
  whyNotTwo,
  type Comparison,
  type Decision,
  type Guide,
  type RowRecord,
  type RowStanding,
} from "./standing.ts";
