import type { RunPlan } from "./event.ts";

/**
 * Returns a plan with nothing unusual in it, for drills, figures and tests: pints of meat, 75 minutes at 82.7 kPa (12
 * lb) on a dial. A real run's plan comes from its scheduled process.
 *
 * @param over what differs
 */
export function samplePlan(over: Partial<RunPlan> = {}): RunPlan {
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
