export { AskDialog } from "./ask-dialog";
