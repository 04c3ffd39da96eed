export { STOCKS, stockOf, type LabelStock, type StockKey } from "./stock.ts";
export { labelPlaces, type LabelPlace } from "./place.ts";
export { qrSideMm, textBoxMm, type Box } from "./box.ts";
