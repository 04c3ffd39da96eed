export { sharedFacts, type SharedFacts } from "./facts.ts";
export { SHARING_SQL, sharedOf, containersSharing, type Sharing } from "./sharing.ts";
export {
  getRecall,
  releaseRecall,
  listRecalls,
  setAside,
  type Recall,
  type RecallLift,
  type RecallSummary,
} from "./recall.ts";
export { recipientsOf, recordRecallWord, wordsOfRecall, type Recipient, type RecallWord } from "./told.ts";
