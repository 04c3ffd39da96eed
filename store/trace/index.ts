export * from "./trace.ts";
export { riverOf, type River, type RiverFlow, type RiverNode } from "./river.ts";
