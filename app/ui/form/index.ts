export {
  FieldError,
  PickField,
  PickTile,
  SelectField,
  TextField,
  TickField,
  type Choice,
  type PickOption,
} from "./field";
export { useBusy } from "./busy";
export { ConfirmConditions } from "./confirm-conditions";
export { FileForm } from "./file-form";
export { KeyedForm } from "./keyed-form";
export { asksBeforeLeaving } from "./half-typed";
export { ListField } from "./many-select";
export { NoEnter } from "./no-enter";
export { OneTap } from "./one-tap";
export { keyFor } from "./key";
export { among, problemOf, resultOf } from "./result";
export { ConfirmUnlikely, FormErrors, Notice } from "./notice";
export { typeInto } from "./type-into";
