export * from "./larder.ts";
export * from "./refused.ts";
export * from "./zip.ts";
