export { Canner as CannerDrawing } from "./place-drawing";
export { Bench, type BenchPlace, type BenchStanding } from "./bench";
