export { blankForms } from "./forms";
export { enterRunSheet, SHEET_TIMES, type RunSheet, type SheetTime } from "./enter";
