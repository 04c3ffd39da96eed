export { directShares, harvestSharesOfAll, type Flow, type Shares } from "./share.ts";
export { mixShares, type MixSource } from "./mix.ts";
