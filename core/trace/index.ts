export { directShares, harvestShares, type Flow, type Shares } from "./share.ts";
