export { cannerCapacity, type Capacity, type CapacityCase } from "./canner.ts";
export { EXACT_MM, circlesInCircle, spread, type Place } from "./circle.ts";
export { mixedInCircle, mostBeside, type Standing } from "./mixed.ts";
export {
  GAP_MM,
  containerOf,
  fitsIn,
  kindKey,
  kindParts,
  kindShape,
  LEAST_QUART_JARS,
  layOut,
  layersFor,
  layerPlaces,
  loadPatterns,
  manualShare,
  maximal,
  perLayer,
  stands,
  whyNotCanner,
  type KindKey,
  type LayerFill,
  type LoadPattern,
  type Pot,
} from "./pattern.ts";
export { CANNER_PRESETS, presetFor, type CannerPreset } from "./preset.ts";
export { MOST_ARRANGED, PUBLISHED_RATIOS, neededRatio } from "./ratio.ts";
