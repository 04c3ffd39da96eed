export {
  CHECK_ITEMS,
  CHECK_KEYS,
  EQUIPMENT,
  checkItem,
  itemsOf,
  type CheckItem,
  type CheckKey,
  type EquipmentKind,
} from "./item.ts";
export { cardOf, preflight, whyNotHeated, type PreflightCase, type PreflightItem } from "./preflight.ts";
export { blocks, standingOf, standings, type Check, type Standing } from "./standing.ts";
