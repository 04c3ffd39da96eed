export { posterior, predict, type Belief, type Estimate } from "./normal.ts";
