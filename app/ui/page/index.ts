export { Empty, Figure, Page, Part, Sheet } from "./page";
