export { COMMON_PRACTICE, TABLE_EDITION, usda2015, type Source } from "./source.ts";
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
  type CanRow,
  type JarRow,
  type PackMethod,
  type ProductKey,
} from "./table.ts";
export { CONDITIONS, EXHAUST_TEMP_C, TIMES_AROUND, VENT_MINUTES, type Condition } from "./rules.ts";
export { REFUSALS, refusalFor, type Refusal } from "./refusal.ts";
export {
  ALTITUDE_RANGE_M,
  CAN_BAND,
  JAR_BANDS,
  JAR_BANDS_SOURCE,
  bandFor,
  type AltitudeBand,
  type GaugeKind,
} from "./pressure.ts";
export {
  jarMinutes,
  testedSchedule,
  type NoSchedule,
  type ScheduleAnswer,
  type ScheduleRequest,
  type TestedSchedule,
} from "./lookup.ts";
export {
  GAUGE_REPLACE_PSI,
  GAUGE_TEST_MONTHS,
  dialStanding,
  pressureTarget,
  testDueAt,
  weightSettings,
  type CannerGauges,
  type DialStanding,
  type NoTarget,
  type PressureTarget,
} from "./gauge.ts";
export {
  governingSchedule,
  loadPackOf,
  type GoverningSchedule,
  type LoadCanner,
  type LoadPack,
  type NoGoverning,
} from "./governing.ts";
export { officeSchedule, type OfficeSchedule } from "./office.ts";
export { takeSnapshot, type ScheduleSnapshot } from "./snapshot.ts";
