export * from "./harvest.ts";
