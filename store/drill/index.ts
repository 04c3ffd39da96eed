export * from "./drill.ts";
