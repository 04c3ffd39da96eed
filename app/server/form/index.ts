export { amount, formKey, instant, keyField, quantity, weight, words } from "./fields";
export { answer, byIntent, formOf, orNotFound, submit, writeBy } from "./submit";
export { isUpload, submitUpload, wholeFile, type Upload } from "./upload";
