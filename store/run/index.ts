export * from "./event-rows.ts";
export * from "./open.ts";
export * from "./run.ts";
export * from "./event.ts";
export * from "./stages.ts";
export * from "./heat.ts";
