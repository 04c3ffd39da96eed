export * from "./pack.ts";
export {
  permitReprocess,
  permitPack,
  processFor,
  whyNotFromLot,
  type GivenByOffice,
  type PackAsked,
} from "./permit.ts";
export { brothLots, ingredientsOf, isFromLot, litresEach, pourBroth, type LiquidSaid } from "./liquid.ts";
export { insertContainer, insertPack } from "./insert.ts";
