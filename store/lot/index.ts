export * from "./lot.ts";
