export { kept, type BackupReason, type Dated } from "./rotation.ts";
export { checkApart, lookApart, type LookedAt } from "./apart.ts";
export { backupIsDue, checkFile, listBackups, takeBackup, type Copy } from "./copies.ts";
export {
  clearHalfDone,
  isEmpty,
  previewBackup,
  putInPlace,
  replaceDamaged,
  restoreBackup,
  type Preview,
} from "./restore.ts";
