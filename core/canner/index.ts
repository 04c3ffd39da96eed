export { plausibleCanner, type CannerSpec } from "./spec.ts";
export { fill, pass, type Hands, type PotState } from "./pot.ts";
export { SOUND_GAUGE, gaugeAfter, type GaugeSpec } from "./gauge.ts";
export { freshCook, steamsSteadily, turnFlame, turnFlameByEar, type CookMemory } from "./cook.ts";
export { outflow } from "./flow.ts";
