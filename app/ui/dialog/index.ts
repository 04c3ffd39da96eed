export { AskDialog } from "./ask-dialog";
export { OverPage } from "./over-page";
