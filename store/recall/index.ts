export { sharedFacts, type SharedFacts } from "./facts.ts";
export { SHARING_SQL, sharedOf, sharing, type Sharing } from "./sharing.ts";
export {
  getRecall,
  liftRecall,
  listRecalls,
  setAside,
  type Recall,
  type RecallLift,
  type RecallSummary,
} from "./recall.ts";
