export * from "./pack.ts";
export { permitReprocess, permitPack, processFor, whyNotFromLot, type PackAsked } from "./permit.ts";
export {
  brothLots,
  ingredientsOf,
  isFromLot,
  isOfFishLot,
  litresEach,
  pourBroth,
  type LiquidSaid,
} from "./liquid.ts";
export { addMass, insertContainer, insertPack } from "./insert.ts";
