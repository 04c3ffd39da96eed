export { plausibleCanner, type CannerSpec } from "./spec.ts";
export { newPot, advancePot, type Hands, type PotState } from "./pot.ts";
export { SOUND_GAUGE, gaugeAfter, type GaugeSpec } from "./gauge.ts";
export { newCook, steamsSteadily, turnFlame, turnFlameByEar, type CookMemory } from "./cook.ts";
export { outflow } from "./flow.ts";
