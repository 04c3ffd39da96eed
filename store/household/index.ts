export * from "./household.ts";
