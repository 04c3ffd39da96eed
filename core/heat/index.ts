export { effectiveDiffusivity, foodHeat, type Filling } from "./food.ts";
export { centreAfterStep, type HeatedCylinder } from "./cylinder.ts";
export { CENTRE_LAG, heatingRateS } from "./rate.ts";
export { lethalRate, lethality } from "./lethality.ts";
export { asEquations } from "./semi.ts";
export { COARSE, FINE, centreOf, heatContainer, type Mesh, type Warmed } from "./conduct.ts";
export { airLeft, cannerHistory, resampleHistory, type Kitchen, type Knot } from "./history.ts";
export { DROP_KPA, DROP_MINUTES, courseOf, perfectHistory, type Course, type Slip } from "./perfect.ts";
export {
  SPREADS,
  intervalOf,
  centreLethality,
  drawDelivered,
  type Band,
  type Comparison,
  type Heated,
} from "./delivered.ts";
