export { countsOf, loadsOf } from "./loads.ts";
export {
  LEFT_STEP_G,
  OBJECTIVES,
  type LotOption,
  type Objective,
  type PlanCanner,
  type PlanLoad,
  type PlanLot,
  type PlanProblem,
  type PlanStock,
  type Portion,
  type Scores,
} from "./problem.ts";
export { leastGrams, leftSteps, lotFills, type LotFill } from "./fill.ts";
export { NotSolved, SOLVER_OPTIONS, compareScores, solvePlan, type Solved } from "./solve.ts";
export type { Solver, SolverAnswer } from "./linear.ts";
export { beansRoom } from "./filler.ts";
export { proposeLoads } from "./propose.ts";
export {
  type LeftOver,
  type LoadPart,
  type PlanProblemNote,
  type PlanWish,
  type Proposal,
  type ProposedLoad,
  type ProposedPart,
  type SettledLoad,
  type WishCanner,
  type WishLot,
} from "./wish.ts";
export { placesOf, type Placed } from "./layout.ts";
