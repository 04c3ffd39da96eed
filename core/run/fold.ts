import { HOUR_MS, MINUTE_MS } from "#core/quantity";
import { effectiveEvents, type Alarm, type RunEvent, type RunPlan } from "./event.ts";
import { noteUnobserved } from "./change.ts";
import { scheduledEnd, totalMinutes } from "./extra.ts";
import { copyOfState, currentPeriod, newRunState, type RunState } from "./state.ts";
import { elapse, step, ventDueAt } from "./step.ts";

/** A run as it stands at an instant: what happened, and the clocks that follow from it. */
export interface RunView extends RunState {
  /** the instant it is seen at, ms since 1970 UTC */
  now: number;
  /** venting: when it will be done if steam stays steady */
  ventDueAt: number | null;
  /** processing: when the heat may go off; stays after it is served, null when no time is running */
  finishAt: number | null;
  /** the minutes of the scheduled process are over in the period that runs, or ran to its end; those that are added may not be */
  scheduleDone: boolean;
  /** settling: when the lid may come off */
  lidAt: number | null;
  /** resting: when seals may be checked */
  checkAt: number | null;
  /** how long nobody has looked at the pressure, seconds, while it matters; null otherwise */
  unwatchedS: number | null;
  alarm: Alarm | null;
  /** since when it calls */
  alarmSince: number | null;
  /** somebody has answered it, and it has not come back yet */
  answered: boolean;
  /** 0 when nothing calls or it was answered; 1, 2, 3 the longer nobody does */
  loudness: 0 | 1 | 2 | 3;
}

/** An answered alarm comes back while its cause lasts, after so many minutes. Common practice, no source. */
export const COMES_BACK_MIN: Record<Alarm, number> = {
  "over-pressure": 1,
  "below-target": 3,
  unwatched: 5,
  "vent-done": 5,
  "process-done": 5,
  "pressure-down": 15,
  "lid-time": 30,
  "check-time": 720,
};
/** Nobody came for so many seconds: louder, and louder again. */
const LOUDER_S = [30, 120] as const;
/** The gauge at zero calls when the rest has not been said for this long, s. */
const ZERO_WAITS_S = 60;

/**
 * Returns a run at an instant: its state, clocks and alarm. A pure function of plan, events and clock: events may come
 * late, twice or in any order, and those after `now` do not count yet.
 *
 * @param createdAt when the run was opened, ms since 1970 UTC
 * @param now ms since 1970 UTC
 */
export function runAt(plan: RunPlan, events: readonly RunEvent[], createdAt: number, now: number): RunView {
  const state = newRunState(createdAt);
  advance(state, plan, effectiveEvents(events.filter((e) => e.at <= now)));
  return viewOf(state, plan, now);
}

/**
 * Returns the state after some events, which are in the order they count. Changes `state`; the events may be applied
 * in parts.
 */
export function advance(state: RunState, plan: RunPlan, ordered: readonly RunEvent[]): RunState {
  for (const event of ordered) step(state, plan, event);
  return state;
}

/**
 * Returns a run at an instant from its state, which is not changed: its clocks at `now`, its alarm and how loud it is.
 *
 * @param now ms since 1970 UTC, not before the last event applied
 */
export function viewOf(before: RunState, plan: RunPlan, now: number): RunView {
  const state = copyOfState(before);
  elapse(state, plan, now);
  const attempt = currentPeriod(state);
  const finishAt =
    state.completedAt ??
    (state.phase === "processing" && attempt ? attempt.startedAt + totalMinutes(plan) * MINUTE_MS : null);
  const watching = state.phase === "processing" && state.completedAt === null;
  const unwatchedS = watching ? Math.max(0, (now - (state.lastLookAt ?? state.phaseSince)) / 1000) : null;
  const view: RunView = {
    ...state,
    now,
    ventDueAt: state.phase === "venting" ? ventDueAt(state, plan) : null,
    finishAt,
    scheduleDone: attempt !== null && now >= scheduledEnd(plan, attempt),
    lidAt: state.phase === "settling" ? state.weightOffAt! + plan.settleMinutes * MINUTE_MS : null,
    checkAt: state.phase === "resting" ? state.unloadedAt! + plan.restHours * HOUR_MS : null,
    unwatchedS,
    alarm: null,
    alarmSince: null,
    answered: false,
    loudness: 0,
  };
  // The time that nobody has seen so far ends now; `state` is a copy, and shares its lists with the view.
  if (watching && attempt) noteUnobserved(state, plan, attempt, now);
  const call = alarmOf(view, plan);
  if (!call) return view;
  [view.alarm, view.alarmSince] = call;
  const answer = view.silenced;
  const back = COMES_BACK_MIN[view.alarm] * MINUTE_MS;
  const hush = answer?.alarm === view.alarm && answer.at >= view.alarmSince ? answer.at : null;
  view.answered = hush !== null && now - hush < back;
  const waited = (now - (hush === null ? view.alarmSince : hush + back)) / 1000;
  view.loudness = view.answered ? 0 : waited < LOUDER_S[0] ? 1 : waited < LOUDER_S[1] ? 2 : 3;
  return view;
}

/** What calls, and since when; the more dangerous first. */
function alarmOf(view: RunView, plan: RunPlan): [Alarm, number] | null {
  if (view.overPressure && view.heatOffAt === null) return ["over-pressure", view.overSince!];
  switch (view.phase) {
    case "pressurising":
      return view.attempts.length > 0 ? ["below-target", view.phaseSince] : null;
    case "venting":
      return view.vent.doneAt !== null ? ["vent-done", view.vent.doneAt] : null;
    case "processing": {
      if (view.completedAt !== null) return ["process-done", view.completedAt];
      if (view.lookAskedSince !== null) return ["unwatched", view.lookAskedSince];
      const limit = plan.unwatchedLimitS;
      if (view.unwatchedS === null || view.unwatchedS <= limit) return null;
      return ["unwatched", (view.lastLookAt ?? view.phaseSince) + limit * 1000];
    }
    case "cooling": {
      if (view.zeroAt === null) return null;
      const since = Math.max(view.zeroAt, view.lockDownAt ?? 0) + ZERO_WAITS_S * 1000;
      return view.now >= since ? ["pressure-down", since] : null;
    }
    case "settling":
      return view.now >= view.lidAt! ? ["lid-time", view.lidAt!] : null;
    case "resting":
      return view.now >= view.checkAt! ? ["check-time", view.checkAt!] : null;
    default:
      return null;
  }
}
