export { SCALE_SLACK_KG, balanceOf, impossibleCutting, type Balance, type Cutting } from "./balance.ts";
