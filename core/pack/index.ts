export { fillEstimate, fullContainers, usableMl, type FillEstimate } from "./fill.ts";
export { LIQUIDS, jarWater, liquidLitres, mostSaltTsp, type Liquid } from "./addition.ts";
