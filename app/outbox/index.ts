export { openOutbox, type Outbox } from "./outbox";
export {
  deliver,
  forget,
  keepWhenLost,
  keptForms,
  onKept,
  refusedForms,
  type KeptForm,
  type Refused,
} from "./forms";
export { isLost, reach, useLost } from "./reach";
