import type { RunEvent, RunPlan } from "./event.ts";
import { WORTH_MS } from "./judge.ts";
import { currentPeriod, type ProcessPeriod, type Deviation, type RunState } from "./state.ts";

/**
 * Puts a run into a stage. Changes `state`.
 *
 * @param at ms since 1970 UTC
 */
export function enterPhase(state: RunState, phase: RunState["phase"], at: number): void {
  state.phase = phase;
  state.phaseSince = at;
}

/** Adds a deviation from the scheduled process to a run. Changes `state`. */
export function addDeviation(state: RunState, deviation: Deviation): void {
  state.deviations.push(deviation);
}

/** Adds a deviation for an event that does not fit the stage of the run. Changes `state`. */
export function outOfPlace(state: RunState, event: RunEvent): void {
  addDeviation(state, { kind: "out-of-place", at: event.at, text: event.type });
}

/**
 * Ends the process period that is running, short of its minutes. Does nothing when none is running or the time is
 * complete. Changes `state`.
 */
export function endPeriod(
  state: RunState,
  event: RunEvent,
  endedBy: NonNullable<ProcessPeriod["endedBy"]>,
): void {
  const attempt = currentPeriod(state);
  if (!attempt || state.completedAt !== null) return;
  attempt.endedAt = event.at;
  attempt.endedBy = endedBy;
  if (event.gaugeKPa !== undefined) attempt.endedAtKPa = event.gaugeKPa;
}

/**
 * Records that nobody saw the pressure from the last look until `to`: longer than a minute on the process period,
 * longer than the household's limit as a deviation too. Changes `state`.
 *
 * @param to ms since 1970 UTC
 */
export function noteUnobserved(state: RunState, plan: RunPlan, attempt: ProcessPeriod, to: number): void {
  const from = Math.max(state.lastLookAt ?? attempt.startedAt, attempt.startedAt);
  if (to - from > WORTH_MS) attempt.unobserved.push({ from, to });
  if (to - from > plan.unwatchedLimitS * 1000)
    addDeviation(state, { kind: "unwatched", at: from, until: to });
}
