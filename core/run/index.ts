export {
  ALARMS,
  ASKED,
  RUN_EVENT_TYPES,
  SIPHONED,
  effectiveEvents,
  type Alarm,
  type Asked,
  type RunEvent,
  type RunEventType,
  type RunPlan,
  type Siphoned,
} from "./event.ts";
export {
  OWN_FACE,
  currentAttempt,
  newRunState,
  type Attempt,
  type Deviation,
  type RunPhase,
  type RunState,
} from "./state.ts";
export { COMES_BACK_MIN, advance, runAt, viewOf, type RunView } from "./fold.ts";
export { FoldedRun } from "./folded.ts";
export { placeAmong } from "./place.ts";
export { step as stepRun } from "./step.ts";
export { possibleNext, whyNot, whyNotTakenOut, whyNotUndone } from "./permit.ts";
export { BELIEVABLE_KPA, CLOCK_SLACK_MS, whyNotBelieved } from "./believe.ts";
export { plainPlan } from "./plain.ts";
