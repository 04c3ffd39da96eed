export * from "./household.ts";
export * from "./equipment.ts";
export * from "./harvest.ts";
export * from "./run.ts";
export * from "./pack.ts";
export * from "./shelf.ts";
export * from "./seam.ts";
