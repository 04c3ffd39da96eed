export { FREEZER_DAYS, freezerAge, type FreezerAge } from "./freezer.ts";
export {
  bodyAtKill,
  firstIntervals,
  warmSinceKill,
  impossibleHours,
  type FirstHours,
  type Interval,
} from "./interval.ts";
export {
  loggerColumns,
  loggerReader,
  type LoggerColumns,
  type LoggerReading,
  type LoggerRow,
  type RefusedRow,
} from "./logger.ts";
export {
  THAW_METHODS,
  plankSeconds,
  thawEstimate,
  thawMethodName,
  type PlankCase,
  type ThawEstimate,
  type ThawMethod,
} from "./thaw.ts";
export { thinned } from "./thin.ts";
export { COLD_LIMIT_C, WATCH_GAP_MINUTES, warmTime, type ColdEntry, type WarmTime } from "./warm.ts";
