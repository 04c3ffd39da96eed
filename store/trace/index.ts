export * from "./trace.ts";
export { riverOf, wholeRiver, type River, type RiverFlow, type RiverNode } from "./river.ts";
export { findAnything, type Found } from "./find.ts";
