export * from "./school.ts";
