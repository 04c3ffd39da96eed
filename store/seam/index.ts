export * from "./seam.ts";
