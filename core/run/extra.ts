import { MINUTE_MS } from "#core/quantity";
import { addDeviation, noteUnobserved } from "./change.ts";
import type { RunPlan } from "./event.ts";
import { currentPeriod, type ProcessPeriod, type RunState } from "./state.ts";

/** Most minutes that may be added to a scheduled process. Common practice, no source. */
export const MOST_EXTRA_MINUTES = 60;

/** Returns the minutes the clock counts: the scheduled process and what the household adds. */
export const totalMinutes = (plan: Pick<RunPlan, "minutes" | "extraMinutes">): number =>
  plan.minutes + (plan.extraMinutes ?? 0);

/** Returns when the scheduled process of a period is complete, without the minutes that are added, ms since 1970 UTC. */
export const scheduledEnd = (plan: RunPlan, period: ProcessPeriod): number =>
  period.startedAt + plan.minutes * MINUTE_MS;

/**
 * Ends a process whose scheduled minutes are complete and whose added ones are not: it is processed, and what was cut
 * short is told. Does nothing otherwise. Changes `state`.
 *
 * @param at ms since 1970 UTC
 */
export function cutExtra(state: RunState, plan: RunPlan, at: number): void {
  const period = currentPeriod(state);
  if (state.phase !== "processing" || !period || state.completedAt !== null) return;
  if (!plan.extraMinutes || at < scheduledEnd(plan, period)) return;
  noteUnobserved(state, plan, period, at);
  state.completedAt = at;
  state.outcome = "processed";
  addDeviation(state, { kind: "extra-cut", at });
}
