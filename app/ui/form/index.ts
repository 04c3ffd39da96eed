export {
  FieldError,
  PickField,
  SelectField,
  TextField,
  TickField,
  type Choice,
  type PickOption,
} from "./field";
export { KeyedForm } from "./keyed-form";
export { resultOf } from "./result";
export { ConfirmUnlikely, FormErrors, Notice } from "./notice";
