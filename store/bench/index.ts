export * from "./bench.ts";
export * from "./fill.ts";
