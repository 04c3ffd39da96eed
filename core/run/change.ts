import { type RunEvent, type RunPlan } from "./event.ts";
import { currentAttempt, type Attempt, type Deviation, type RunState } from "./state.ts";

/** The run enters a stage. Changes `state`, as everything here does. */
export function enter(state: RunState, phase: RunState["phase"], at: number): void {
  state.phase = phase;
  state.phaseSince = at;
}

/** What departs from the schedule stays with the run. */
export function deviate(state: RunState, deviation: Deviation): void {
  state.deviations.push(deviation);
}

/** It did not fit where the run was. */
export function outOfPlace(state: RunState, event: RunEvent): void {
  deviate(state, { kind: "out-of-place", at: event.at, text: event.type });
}

/** A time at pressure ends short of its minutes. */
export function endAttempt(state: RunState, event: RunEvent, endedBy: NonNullable<Attempt["endedBy"]>): void {
  const attempt = currentAttempt(state);
  if (!attempt || state.completedAt !== null) return;
  attempt.endedAt = event.at;
  attempt.endedBy = endedBy;
  if (event.gaugeKPa !== undefined) attempt.endedAtKPa = event.gaugeKPa;
}

/** A longer time than the plan allows passed without a look. */
export function noteUnwatched(state: RunState, plan: RunPlan, from: number, to: number): void {
  if (to - from > plan.unwatchedLimitS * 1000) deviate(state, { kind: "unwatched", at: from, until: to });
}
