import { HOUR_MS, MINUTE_MS } from "#core/quantity";
import type { RunPlan, RunView } from "../run/index.ts";
import { TIMES_AROUND } from "../schedule/index.ts";

/** One thing that must be done for a run. */
export type RunTask =
  | "light"
  | "steam"
  | "steam-again"
  | "weight-on"
  | "reach-target"
  | "regain-target"
  | "heat-off"
  | "zero"
  | "weight-off"
  | "lid-off"
  | "unload"
  | "check";

export interface Due {
  task: RunTask;
  /** ms since 1970 UTC; null when it is due when it happens, not by a clock */
  at: number | null;
  /** the instant is a guess from common practice, not a clock that is running */
  estimated: boolean;
  /** somebody must stay by it until then */
  presence: boolean;
}

/**
 * Returns how long a canner takes to lose its pressure with the heat off, in minutes: the middle of the range for its
 * size. Common practice, no source.
 *
 * @param cannerQuarts size it is sold by, quarts, > 0; null counts as larger than 16 quarts
 */
export function coolDownMinutes(cannerQuarts: number | null): number {
  const range = cannerQuarts !== null && cannerQuarts <= 16 ? TIMES_AROUND.coolSmall : TIMES_AROUND.coolLarge;
  return (range.low + range.high) / 2;
}

/**
 * Returns what has to be done for a run, in order: the next task, and those that can be foreseen after it. Nothing is
 * foreseen beyond a task that waits for an event rather than for a clock. Empty for a run that is over.
 *
 * @param view the run at an instant
 * @param plan what the run was opened with
 * @param cannerQuarts size of the canner, quarts, for how long it cools; null counts as larger than 16 quarts
 */
export function runAgenda(view: RunView, plan: RunPlan, cannerQuarts: number | null): Due[] {
  const due = (task: RunTask, at: number | null, presence: boolean, estimated = false): Due => ({
    task,
    at,
    presence,
    estimated,
  });
  const cool = coolDownMinutes(cannerQuarts) * MINUTE_MS;
  const afterHeatOff = (heatOff: number): Due[] => {
    const zero = heatOff + cool;
    const lid = zero + plan.settleMinutes * MINUTE_MS;
    return [
      due("zero", zero, false, true),
      due("lid-off", lid, false, true),
      due("check", lid + plan.restHours * HOUR_MS, false, true),
    ];
  };
  switch (view.phase) {
    case "warming":
      return [view.burnerLitAt === null ? due("light", null, true) : due("steam", null, true)];
    case "venting":
      return [
        view.ventDueAt === null ? due("steam-again", null, true) : due("weight-on", view.ventDueAt, true),
      ];
    case "pressurising":
      return [due(view.attempts.length > 0 ? "regain-target" : "reach-target", null, true)];
    case "processing":
      return [due("heat-off", view.finishAt, true), ...afterHeatOff(view.finishAt!)];
    case "cooling":
      if (view.zeroAt !== null && view.lockDownAt !== null) return [due("weight-off", null, false)];
      return afterHeatOff(view.heatOffAt!);
    case "settling":
      return [
        due("lid-off", view.lidAt, false),
        due("check", view.lidAt! + plan.restHours * HOUR_MS, false, true),
      ];
    case "unloading":
      return [due("unload", null, true)];
    case "resting":
      return [due("check", view.checkAt, false)];
    default:
      return [];
  }
}

/**
 * Returns a number to sort tasks by, the lowest first: 0 for a task that is due now, `now` for a weight that may come
 * off, else the instant the task is due at, ms since 1970 UTC.
 *
 * @param now ms since 1970 UTC
 */
export function urgency(due: Due, now: number): number {
  if (due.at === null) return due.task === "weight-off" ? now : 0;
  return due.at;
}
