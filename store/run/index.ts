export * from "./run.ts";
export * from "./event.ts";
export * from "./stages.ts";
export * from "./heat.ts";
