export * from "./rest.ts";
