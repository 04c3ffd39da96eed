export * from "./can.ts";
export * from "./exhaust.ts";
export * from "./close.ts";
export * from "./sealer.ts";
export * from "./story.ts";
