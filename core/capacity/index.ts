export { cannerCapacity, type Capacity, type CapacityCase } from "./canner.ts";
export { EXACT_MM, circlesInCircle, spreadPlaces, type Place } from "./circle.ts";
export { mixedInCircle, mostBeside, type Standing } from "./mixed.ts";
export {
  GAP_MM,
  containerOf,
  fitsIn,
  kindKey,
  kindParts,
  kindShape,
  LEAST_QUART_JARS,
  arrangeLoad,
  layersFor,
  layerPlaces,
  loadPatterns,
  manualShare,
  maximal,
  perLayer,
  fitsHeight,
  whyNotCanner,
  type KindKey,
  type LayerFill,
  type LoadPattern,
  type Pot,
} from "./pattern.ts";
export { CANNER_PRESETS, presetFor, type CannerPreset } from "./preset.ts";
export { MOST_ARRANGED, PUBLISHED_RATIOS, neededRatio } from "./ratio.ts";
