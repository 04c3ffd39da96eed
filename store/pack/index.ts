export * from "./pack.ts";
