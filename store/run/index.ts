export * from "./run.ts";
export * from "./event.ts";
