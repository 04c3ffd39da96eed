export { posterior, predict, Z90, type Belief, type Estimate } from "./normal.ts";
