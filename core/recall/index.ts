export { likelyRisks } from "./likely.ts";
export { DOUBTS, sharedScopes, type DoubtKind, type Shared } from "./doubt.ts";
export {
  listText,
  readList,
  signedListText,
  type Recalled,
  type RecallList,
  type SignedList,
} from "./list.ts";
