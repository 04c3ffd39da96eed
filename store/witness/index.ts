export { checkWitness, ownWitness, recordedKeys, type Witnessed, type WitnessQuestion } from "./check.ts";
export { compareHistory, type Compared, type Departure } from "./compare.ts";
export { headLong, headOf, headsOf, headText, LOG, readHead, type Head, type PaperHead } from "./heads.ts";
export { fingerprintAt, keyPath, witnessOf, type Witness } from "./key.ts";
export {
  earlierStatements,
  findGaps,
  saveStatement,
  listStatements,
  archiveStatements,
  readStatement,
  signStatement,
  statementFolder,
  type Found,
  type Signed,
  type Statement,
} from "./statement.ts";
export { signRecalls, type SignedRecalls } from "./recall-list.ts";
