export {
  getLot,
  holdsOnLot,
  lotByCode,
  lotsCutFrom,
  lotsInStock,
  madeFrom,
  originsOf,
  setAsideFor,
  type Lot,
  type LotHold,
  type LotStep,
} from "./lot.ts";
export {
  brothFromBones,
  cutLot,
  mergeLots,
  recutLot,
  splitLot,
  type CutInput,
  type MadeLot,
  type MergeInput,
  type RecutInput,
} from "./make.ts";
export {
  accountsOfLot,
  giveLotTo,
  happeningsOfLot,
  recordLotEvent,
  undoLotEvent,
  type LotDeed,
  type LotHappening,
} from "./event.ts";
export { bonelessCases, changeCases, cuttingCases } from "./yield.ts";
export { genealogy } from "./genealogy.ts";
