export { PRICE_KEYS, costOf, type CostLine, type PriceKey, type Prices } from "./cost.ts";
