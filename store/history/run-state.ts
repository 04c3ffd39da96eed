import { runAt, type RunPlan } from "#core/run";
import type { Larder } from "#store/db";
import { eventsOf } from "#store/run";

interface StoredRun {
  id: string;
  code: string;
  plan: string;
  openedAt: number;
  endedAt: number | null;
  completedAt: number | null;
}

/** Returns the codes of runs whose stored outcome or end differs from what their events give; empty when none does. */
export function runsWithWrongState(larder: Larder): string[] {
  const runs = larder.sqlite
    .prepare(
      "select id, code, plan, opened_at as openedAt, ended_at as endedAt, completed_at as completedAt from run order by code",
    )
    .all() as StoredRun[];
  return runs.flatMap(({ id, code, plan, openedAt, endedAt, completedAt }) => {
    const events = eventsOf(larder, id);
    const now = Math.max(openedAt, ...events.map((e) => e.at));
    const view = runAt(JSON.parse(plan) as RunPlan, events, openedAt, now);
    const ended = view.phase === "checked" || view.phase === "aborted" ? view.phaseSince : null;
    const completed = view.outcome === "processed" ? view.completedAt : null;
    return ended === endedAt && completed === completedAt ? [] : [code];
  });
}
