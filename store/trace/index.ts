export * from "./trace.ts";
