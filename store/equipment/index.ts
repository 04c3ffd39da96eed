export * from "./equipment.ts";
