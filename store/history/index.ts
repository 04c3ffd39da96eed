export { verifyLarder, type Broken, type Verification } from "./verify.ts";
export {
  actionsDone,
  changesAfter,
  lastChange,
  listChanges,
  listCorrections,
  type Change,
  type ChangesWanted,
  type Correction,
  type LoggedChange,
} from "./changes.ts";
