export { useDraft } from "./draft";
export { keepOnTab, keptOnTab } from "./on-tab";
