export { backupsToKeep, type BackupReason, type Dated } from "./rotation.ts";
export { checkInProcess, inspectInProcess, inspectFile, type Inspection, type Question } from "./inspect.ts";
export { backupIsDue, checkFile, listBackups, takeBackup, type Copy, type Taken } from "./copies.ts";
export {
  removePartialFiles,
  isEmpty,
  previewBackup,
  replaceLarder,
  replaceDamaged,
  restoreBackup,
  type Preview,
} from "./restore.ts";
export {
  copyToSecondPlace,
  removeSecondPlace,
  isOverdue,
  secondPlaceOf,
  setSecondPlace,
  type SecondPlace,
} from "./second-place.ts";
