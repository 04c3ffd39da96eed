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
