export * from "./deviation.ts";
