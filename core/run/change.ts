import { type RunEvent, type RunPlan } from "./event.ts";
import { WORTH_MS } from "./judge.ts";
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

/**
 * Nothing was seen from the last look until `to`. Longer than a minute is kept with the attempt, longer than the household
 * allows departs from the schedule.
 */
export function noteUnobserved(state: RunState, plan: RunPlan, attempt: Attempt, to: number): void {
  const from = Math.max(state.lastLookAt ?? attempt.startedAt, attempt.startedAt);
  if (to - from > WORTH_MS) attempt.unobserved.push({ from, to });
  if (to - from > plan.unwatchedLimitS * 1000) deviate(state, { kind: "unwatched", at: from, until: to });
}
