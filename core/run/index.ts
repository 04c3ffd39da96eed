export { RUN_EVENT_TYPES, effectiveEvents, type RunEvent, type RunEventType, type RunPlan } from "./event.ts";
export {
  currentAttempt,
  newRunState,
  type Attempt,
  type Deviation,
  type RunPhase,
  type RunState,
} from "./state.ts";
export { advance, runAt, viewOf, type RunView } from "./fold.ts";
export { possibleNext, whyNot } from "./permit.ts";
