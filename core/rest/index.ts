export {
  CHILLED_DAYS,
  DISPOSITIONS,
  FAILED_SEAL_HOURS,
  choicesForFailed,
  decideBy,
  dispositionDeadline,
  type Disposition,
  type SealFinding,
} from "./seal.ts";
export { sealVerdict, unloadingOrder, type SealLook, type SealVerdict } from "./look.ts";
export { CAUSES, ENOUGH_CHECKED, causesOf, type Cause, type CauseFound, type CheckedSeal } from "./causes.ts";
export { DISPOSAL, disposalOf, type DisposalStep } from "./disposal.ts";
