export {
  ALARMS,
  ASKED,
  RUN_EVENT_TYPES,
  SIPHONED,
  effectiveEvents,
  type Alarm,
  type Asked,
  type DialInRun,
  type Filler,
  type RunEvent,
  type RunEventType,
  type RunPlan,
  type Siphoned,
} from "./event.ts";
export {
  currentPeriod,
  newRunState,
  type ProcessPeriod,
  type Deviation,
  type RunPhase,
  type RunState,
} from "./state.ts";
export {
  OWN_DIAL,
  OWN_WEIGHT,
  UNNAMED,
  governsNow,
  hasDial,
  isReliedOn,
  observationOf,
  standingOf,
  zeroSign,
  type Observation,
  type Says,
  type Standing,
} from "./observation.ts";
export { WORTH_MS, figureSays, floorOn, judge, minProcessKPa, type Judgement } from "./judge.ts";
export { TAPS_TO_FIGURE, figuresAround, nextLook, watchedBy, type LookAsked } from "./next-look.ts";
export { MOST_EXTRA_MINUTES, totalMinutes } from "./extra.ts";
export { COMES_BACK_MIN, advance, runAt, viewOf, type RunView } from "./fold.ts";
export { FoldedRun } from "./folded.ts";
export { believedInstant, type Claim, type Instant, type KnownBy } from "./instant.ts";
export { insertionIndex } from "./insertion.ts";
export { step as stepRun } from "./step.ts";
export { possibleNext, whyNot, whyNotTakenOut, whyNotUndone } from "./permit.ts";
export { BELIEF_MS, BELIEVABLE_KPA, CLOCK_SLACK_MS, whyNotBelieved } from "./believe.ts";
export { VENT_FALTERS } from "./rules.ts";
export { dialInRun } from "./dial.ts";
export { samplePlan } from "./sample.ts";
