export { STOCKS, stockOf, type LabelStock } from "./stock.ts";
export { labelPlaces, type LabelPlace } from "./place.ts";
export { qrSideMm, textBoxMm, type Box } from "./box.ts";
