export { useDraft } from "./draft";
