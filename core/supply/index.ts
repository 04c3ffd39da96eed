export { takeFrom, type Box } from "./lids.ts";
export { fireEstimate, type FireEstimate } from "./water.ts";
