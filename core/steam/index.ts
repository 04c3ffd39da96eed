export { SEA_LEVEL_PA, atmosphericPressurePa } from "./atmosphere.ts";
export { saturationPressureMPa, saturationTemperatureK } from "./saturation.ts";
export { altitudeOfBoiling, cannerSteam, type CannerSteam } from "./canner.ts";
export { saturatedWater, type SaturatedWater } from "./water.ts";
