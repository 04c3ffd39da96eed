export * from "./shelf.ts";
