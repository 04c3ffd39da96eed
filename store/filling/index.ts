export * from "./load.ts";
export * from "./fill.ts";
