export { More } from "./more";
export { Empty, Figure, Page, Part, Sheet } from "./page";
