export {
  FASTER,
  effectiveDiffusivity,
  foodHeat,
  type Filling,
  type FoodHeat,
  type FoodParts,
} from "./food.ts";
export { centreAfterStep, type HeatedCylinder } from "./cylinder.ts";
export { CENTRE_LAG, heatingRateS } from "./rate.ts";
export { REFERENCE_C, Z_C, lethalRate, lethality } from "./lethality.ts";
export { asEquations } from "./semi.ts";
export { COARSE, FINE, centreOf, volumesOf, warm, type Line, type Mesh, type Warmed } from "./conduct.ts";
export { airLeft, cannerHistory, evenly, type Kitchen, type Knot } from "./history.ts";
export { DROP_KPA, DROP_MINUTES, perfectHistory, type Slip } from "./perfect.ts";
export {
  SPREADS,
  bandOf,
  centreLethality,
  drawDelivered,
  type Band,
  type Comparison,
  type Heated,
} from "./delivered.ts";
