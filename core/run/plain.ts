import { type RunPlan } from "./event.ts";

/**
 * A plan with nothing unusual in it: pints of meat, 75 minutes at 82.7 kPa (12 lb) on a dial, for drills, figures and
 * tests. What differs is given. A real run's plan comes from its schedule.
 */
export function plainPlan(over: Partial<RunPlan> = {}): RunPlan {
  return {
    minutes: 75,
    floorKPa: 82.7,
    safeMaxKPa: 138,
    governs: "dial",
    ventMinutes: 10,
    minBurnerToVentEndMinutes: null,
    unwatchedLimitS: 900,
    settleMinutes: 10,
    restHours: 12,
    ...over,
  };
}
