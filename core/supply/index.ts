export { takeFrom, type Box } from "./lids.ts";
export { LOW_WATER_LITRES, fireEstimate, waterLeft, type FireEstimate } from "./water.ts";
