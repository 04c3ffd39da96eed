export { verifyLarder, type Broken, type Verification } from "./verify.ts";
export {
  actionsDone,
  listChanges,
  listCorrections,
  type Change,
  type ChangesWanted,
  type Correction,
} from "./changes.ts";
