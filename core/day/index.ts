export {
  LEARNED,
  SETTLE,
  VENT,
  WORK,
  packMinutes,
  stageTimes,
  type LearnedStage,
  type StageTime,
  type StageTimes,
} from "./duration.ts";
export {
  STAGES,
  dayOf,
  shortestDay,
  startFor,
  stays,
  type Block,
  type Day,
  type DayLoad,
  type Stage,
} from "./timeline.ts";
