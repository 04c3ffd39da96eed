export { fisherExact, type Table } from "./fisher.ts";
export { binomialInterval } from "./interval.ts";
export { compareGroups, type Level, type Outstanding } from "./stand-out.ts";
