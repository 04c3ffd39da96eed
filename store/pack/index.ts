export * from "./pack.ts";
export { insertContainer, insertPack } from "./insert.ts";
