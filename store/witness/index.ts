export { checkWitness, ownWitness, recordedKeys, type Witnessed, type WitnessQuestion } from "./check.ts";
export { compareHistory, type Compared, type Departure } from "./compare.ts";
export { headLong, headOf, headsOf, headText, LOG, readHead, type Head, type PaperHead } from "./heads.ts";
export { fingerprintAt, keyPath, witnessOf, type Witness } from "./key.ts";
export {
  earlierStatements,
  gapsIn,
  saveStatement,
  listStatements,
  archiveStatements,
  readStatement,
  state,
  statementFolder,
  type Found,
  type Signed,
  type Statement,
} from "./statement.ts";
