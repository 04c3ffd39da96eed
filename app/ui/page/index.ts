export { More } from "./more";
export { useFocusKept } from "./focus";
export { Pending } from "./pending";
export { Empty, Figure, Page, Part, Sheet } from "./page";
export { FaultPage, faultOf, useKeptPage } from "./fault";
