export { SCALE_SLACK_KG, balanceOf, impossibleCutting, type Balance, type Cutting } from "./balance.ts";
export { LEAVINGS, changeKg, type Leaving, type LotEvent, type LotEventKind } from "./event.ts";
export { mergeQuestion, type Joining, type MergeQuestion } from "./merge.ts";
export { whyNotPacked, type NotPackable } from "./packable.ts";
export { whyNotLot, type LotRefusal } from "./permit.ts";
export { KEPT, TREATMENTS, type Kept, type LotState, type ThawInHand, type Treatment } from "./standing.ts";
export { afterEvent, newLot } from "./state.ts";
