export { RUN_STEPS, SAID_STEPS, STEPS, type SaidStep, type Step, type StepKey } from "./step.ts";
export { canningSteps, stepNow, stepOfPhase, type CanningFacts } from "./steps.ts";
export { countSizes, type Counted, type WantedSize } from "./counts.ts";
export {
  kindsFor,
  methodsIn,
  productIn,
  proposeLoad,
  type FoodSource,
  type JarLine,
  type LineProblem,
  type ProposedLoad,
  type ProposedPart,
} from "./propose.ts";
