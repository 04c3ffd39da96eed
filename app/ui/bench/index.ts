export { Bench, type BenchPlace, type BenchStanding } from "./bench";
