export * from "./pack.ts";
export {
  permitReprocess,
  permitPack,
  processFor,
  whyNotFromLot,
  type GivenByOffice,
  type PackAsked,
} from "./permit.ts";
export { insertContainer, insertPack } from "./insert.ts";
