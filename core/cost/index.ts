export { PRICE_KEYS, costOf, type CostLine, type PriceKey, type Prices } from "./cost.ts";
export { BURNER_SHARE, energyKWh } from "./energy.ts";
