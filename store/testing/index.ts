export * from "./larder.ts";
export * from "./refused.ts";
