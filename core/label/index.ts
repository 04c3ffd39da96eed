export { STOCKS, stockOf, type LabelStock } from "./stock.ts";
export { labelPlaces, type LabelPlace } from "./place.ts";
export { giftBoxMm, QR_SQUARE_MM, qrSideMm, textBoxMm, type Box } from "./box.ts";
