export {
  addSupply,
  boxesFor,
  changeSupply,
  countedStock,
  getSupply,
  giveBack,
  listSupplies,
  recount,
  stacksFor,
  suppliesInUse,
  takeForPack,
  takeLids,
  type Supply,
  type SupplyInput,
  type SupplyKind,
} from "./supply.ts";
export { boxesOfPack, packsWithBox } from "./lid.ts";
