export { SCALE_SLACK_KG, balanceOf, impossibleCutting, type Balance, type Cutting } from "./balance.ts";
export {
  SATURATED_PERCENT,
  brineWords,
  readBrine,
  whyNotBrine,
  type Brine,
  type ReadBrine,
} from "./brine.ts";
export { LEAVINGS, changeKg, type Leaving, type LotEvent, type LotEventKind } from "./event.ts";
export { ageOfMerged, mergeQuestion, type Joining, type LotAge, type MergeQuestion } from "./merge.ts";
export { notPackedWords, whyNotPacked, type LotToPack, type NotPackable } from "./packable.ts";
export {
  HOT_LIMIT_C,
  HOT_MINUTES,
  HUNG_DAYS,
  FILLED_WAIT_MINUTES,
  REFRIGERATOR_DAYS,
  REFRIGERATOR_SOURCE,
  WARM_MINUTES,
  keepsAfterCooking,
  keepsAfterCut,
  keepsFromAnimal,
  keepsUntil,
  refrigeratorDays,
  type BeforeCut,
} from "./fresh.ts";
export { whyNotLot, type LotRefusal } from "./permit.ts";
export { KEPT, TREATMENTS, type Kept, type LotState, type ThawInHand, type Treatment } from "./standing.ts";
export { afterEvent, newLot } from "./state.ts";
