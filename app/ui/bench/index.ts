export { Canner as CannerDrawing } from "./place-drawing";
export { StandingThere } from "./standing";
export { Bench, type BenchPlace, type BenchStanding, type PlaceKey } from "./bench";
