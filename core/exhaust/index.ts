export {
  CLOSE_WITHIN_MIN,
  INTO_CANNER_WITHIN_MIN,
  canAt,
  doubtOf,
  fastestRise,
  isFitStage,
  type CanHistory,
  type CanNowAt,
  type CanStage,
  type Doubt,
  type ProbeReading,
} from "./exhaust.ts";
