export * from "./larder.ts";
