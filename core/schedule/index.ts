export { COMMON_PRACTICE, TABLE_EDITION, outcomeFor, usda2015, type Source } from "./source.ts";
export {
  CONTAINERS,
  SHAPES,
  containerName,
  isCan,
  shapeOf,
  type ContainerKey,
  type ContainerShape,
  type Mouth,
} from "./container.ts";
export {
  CAN_ROWS,
  JAR_ROWS,
  PRODUCTS,
  productName,
  DISH_PRODUCTS,
  isHalfLiquid,
  rowOf,
  type CanRow,
  type JarRow,
  type PackMethod,
  type ProductKey,
} from "./table.ts";
export {
  figuresAsked,
  publishedFigures,
  type FigureAsked,
  type FigureKey,
  type FigureUnit,
  type RowFigures,
} from "./figures.ts";
export {
  AS_PUBLISHED,
  type Confirmation,
  type ConfirmedBy,
  type HouseholdRow,
  type HouseholdRows,
} from "./household.ts";
export { jarRowInForce, type JarRowInForce } from "./in-force.ts";
export {
  CONDITIONS,
  CONDITION_KEYS,
  conditionWith,
  EXHAUST_TEMP_C,
  LID_OFF_WITHIN_HOURS,
  TIMES_AROUND,
  VENT_MINUTES,
  unanswered,
  type Condition,
  type ConditionKey,
} from "./rules.ts";
export { REFUSALS, refusalFor, type Refusal } from "./refusal.ts";
export {
  ALTITUDE_RANGE_M,
  CAN_BAND,
  JAR_BANDS,
  bandFor,
  type AltitudeBand,
  type GaugeKind,
} from "./pressure.ts";
export {
  jarMinutes,
  scheduledProcess,
  type NoSchedule,
  type ScheduleAnswer,
  type ScheduleRequest,
  type ScheduledProcess,
} from "./lookup.ts";
export {
  GAUGE_LOW_PSI,
  DIAL_REPLACED,
  GAUGE_REPLACE_PSI,
  GAUGE_TEST_MONTHS,
  dialStanding,
  pressureTarget,
  testDueAt,
  settingsFor,
  weightSettings,
  type CannerGauges,
  type DialStanding,
  type NoTarget,
  type PressureTarget,
} from "./gauge.ts";
export {
  governingSchedule,
  loadPackOf,
  whyNotGivenFor,
  type GoverningSchedule,
  type LoadCanner,
  type LoadDeviation,
  type LoadPack,
  type NoGoverning,
} from "./governing.ts";
export { whyNotAccepted } from "./accept.ts";
export { OFFICE_DUE_MONTHS, officeGoodUntil, officeSchedule, type OfficeSchedule } from "./office.ts";
export { takeSnapshot, type ScheduleSnapshot } from "./snapshot.ts";
