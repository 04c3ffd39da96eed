import { effectiveEvents, type RunEvent, type RunPlan } from "./event.ts";
import { currentAttempt, newRunState, type Deviation, type RunState } from "./state.ts";
import { elapse, step, ventDueAt } from "./step.ts";

const MINUTE = 60_000;

/** A run as it stands at an instant: what happened, and the clocks that follow from it. */
export interface RunView extends RunState {
  /** the instant it is seen at, ms since 1970 UTC */
  now: number;
  /** venting: when it will be done if steam stays steady */
  ventDueAt: number | null;
  /** processing: when the heat may go off; stays after it is served, null when no time is running */
  finishAt: number | null;
  /** settling: when the lid may come off */
  lidAt: number | null;
  /** resting: when seals may be checked */
  checkAt: number | null;
  /** how long nobody has looked at the pressure, seconds, while it matters; null otherwise */
  unwatchedS: number | null;
  alarm:
    | "below-target"
    | "over-pressure"
    | "unwatched"
    | "vent-done"
    | "process-done"
    | "lid-time"
    | "check-time"
    | null;
}

/**
 * State of a run at an instant: a pure function of its plan, its events and the clock.
 *
 * Events may come late, twice or in any order; those after `now` do not count yet.
 * @param createdAt when the run was opened, ms since 1970 UTC
 * @param now ms since 1970 UTC
 */
export function runAt(plan: RunPlan, events: readonly RunEvent[], createdAt: number, now: number): RunView {
  const state = newRunState(createdAt);
  advance(state, plan, effectiveEvents(events.filter((e) => e.at <= now)));
  return viewOf(state, plan, now);
}

/** Applies events that are already in effective order. Changes `state`; a run may be fed in pieces. */
export function advance(state: RunState, plan: RunPlan, ordered: readonly RunEvent[]): RunState {
  for (const event of ordered) step(state, plan, event);
  return state;
}

/** The state with its clocks at `now`, as a copy. */
export function viewOf(before: RunState, plan: RunPlan, now: number): RunView {
  const state: RunState = {
    ...before,
    vent: { ...before.vent },
    attempts: before.attempts.map((a) => ({ ...a })),
    deviations: [...before.deviations],
  };
  elapse(state, plan, now);
  const attempt = currentAttempt(state);
  const finishAt =
    state.completedAt ??
    (state.phase === "processing" && attempt ? attempt.startedAt + plan.minutes * MINUTE : null);
  const watching = state.phase === "processing" && state.completedAt === null;
  const unwatchedS = watching ? Math.max(0, (now - (state.lastLookAt ?? state.phaseSince)) / 1000) : null;
  const view: RunView = {
    ...state,
    now,
    ventDueAt: state.phase === "venting" ? ventDueAt(state, plan) : null,
    finishAt,
    lidAt: state.phase === "settling" ? state.weightOffAt! + plan.settleMinutes * MINUTE : null,
    checkAt: state.phase === "resting" ? state.unloadedAt! + plan.restHours * 60 * MINUTE : null,
    unwatchedS,
    alarm: null,
  };
  if (unwatchedS !== null && unwatchedS > plan.unwatchedLimitS) {
    const running: Deviation = { kind: "unwatched", at: state.lastLookAt ?? state.phaseSince, until: now };
    view.deviations.push(running);
  }
  view.alarm = alarmOf(view, plan);
  return view;
}

function alarmOf(view: RunView, plan: RunPlan): RunView["alarm"] {
  if (view.overPressure && view.heatOffAt === null) return "over-pressure";
  switch (view.phase) {
    case "pressurising":
      return view.attempts.length > 0 ? "below-target" : null;
    case "venting":
      return view.vent.doneAt !== null ? "vent-done" : null;
    case "processing":
      if (view.completedAt !== null) return "process-done";
      return view.unwatchedS !== null && view.unwatchedS > plan.unwatchedLimitS ? "unwatched" : null;
    case "settling":
      return view.now >= view.lidAt! ? "lid-time" : null;
    case "resting":
      return view.now >= view.checkAt! ? "check-time" : null;
    default:
      return null;
  }
}
