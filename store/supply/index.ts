export {
  addSupply,
  boxesFor,
  changeSupply,
  countedStock,
  getSupply,
  listSupplies,
  recount,
  stacksFor,
  suppliesInUse,
  takeForPack,
  type Supply,
  type SupplyInput,
  type SupplyKind,
} from "./supply.ts";
export { boxesOfPack, packsWithBox } from "./lid.ts";
