export { contentsMostKg, dishEstimate, fillEstimate, fullContainers, type FillEstimate } from "./fill.ts";
export { RIM_BELOW_TOP_MM, depthOf, profileOf, usableMl, volumeBelow, type Profile } from "./profile.ts";
export {
  LIQUIDS,
  LIQUID_KG_L,
  jarWater,
  liquidLitres,
  mostSaltTsp,
  pieceOf,
  type JarIngredient,
  type Liquid,
  type Piece,
} from "./addition.ts";
export {
  REST_WAYS,
  deviationsOf,
  fillingOrder,
  judgeFill,
  otherHeadspaces,
  packSteps,
  progressOf,
  type BenchPart,
  type PackDeviation,
  type PackStep,
  type PartHow,
  type PartProgress,
  type RestWay,
  type WeightSays,
} from "./bench.ts";
