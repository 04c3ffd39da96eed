export { SCALE_SLACK_KG, balanceOf, impossibleCutting, type Balance, type Cutting } from "./balance.ts";
export {
  KEPT,
  LEAVINGS,
  TREATMENTS,
  changeKg,
  type Kept,
  type Leaving,
  type LotEvent,
  type LotEventKind,
  type Treatment,
} from "./event.ts";
export { mergeQuestion, type Joining, type MergeQuestion } from "./merge.ts";
export { whyNotPacked, type NotPackable } from "./packable.ts";
export { whyNotLot, type LotRefusal } from "./permit.ts";
export { afterEvent, newLot, type LotState, type ThawInHand } from "./state.ts";
