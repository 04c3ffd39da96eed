export * from "./event-rows.ts";
export * from "./open.ts";
export * from "./run.ts";
export { appendEvents, type Appended, type NewEvent } from "./append.ts";
export * from "./readings.ts";
export * from "./tap.ts";
export * from "./take-out.ts";
export * from "./stages.ts";
export * from "./heat.ts";
