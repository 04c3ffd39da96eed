export { plausibleCanner, type CannerSpec } from "./spec.ts";
export { TICK_S, fill, pass, tick, type Books, type Hands, type PotState } from "./pot.ts";
export { SOUND_GAUGE, gaugeAfter, type GaugeSpec } from "./gauge.ts";
export {
  STEADY_KG_S,
  freshCook,
  steamsSteadily,
  turnFlame,
  turnFlameByEar,
  type CookMemory,
} from "./cook.ts";
export { outflow } from "./flow.ts";
