export { fisherExact, type Table } from "./fisher.ts";
export { binomialInterval } from "./interval.ts";
export { standOut, type Level, type Outstanding } from "./stand-out.ts";
