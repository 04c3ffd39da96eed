export { bestBy, boilMinutes } from "./life.ts";
export { MOVES, type Move } from "./move.ts";
export { OPENING_SIGNS, SIGNS, signsOf, type OpeningSign, type SignFacts } from "./opening.ts";
export {
  ADVICE_C,
  FREEZES_C,
  HEAT_C,
  storageEvents,
  storageState,
  type StorageEntry,
  type StorageEvent,
} from "./storage.ts";
export { LEAST_MONTHS, forecast, smooth, type Forecast } from "./forecast.ts";
export { freezerLitres, mealsOf, servingsOf } from "./meals.ts";
