import { and, desc, eq, isNotNull } from "drizzle-orm";
import { MINUTE_MS } from "#core/quantity";
import type { Larder } from "#store/db";
import type { LearnedStage } from "#core/day";
import type { RunEvent } from "#core/run";
import { run } from "../schema/index.ts";
import { nowFor, readEvents, viewOfRun } from "./event-rows.ts";

/** Earlier runs that teach; older ones say little about today's burner. */
const TEACHING = 12;

/** Returns how long the stages of a canner's last runs took, minutes; only stages with both ends recorded. */
export function pastStages(larder: Larder, cannerId: string): Record<LearnedStage, number[]> {
  const past: Record<LearnedStage, number[]> = { heatUp: [], comeUp: [], coolDown: [], unload: [] };
  const rows = larder.db
    .select()
    .from(run)
    .where(and(eq(run.cannerId, cannerId), isNotNull(run.completedAt)))
    .orderBy(desc(run.openedAt))
    .limit(TEACHING)
    .all();
  for (const row of rows) {
    const events = readEvents(larder, row.id);
    const view = viewOfRun(larder, row, events, nowFor(events, larder.now()));
    const first = (type: RunEvent["type"]) => events.settled.find((e) => e.type === type)?.at ?? null;
    const between = (stage: LearnedStage, from: number | null, to: number | null) => {
      const minutes = from !== null && to !== null ? (to - from) / MINUTE_MS : 0;
      // A stage nobody tapped through properly teaches nothing.
      if (minutes > 0.5 && minutes < 180) past[stage].push(minutes);
    };
    between("heatUp", view.burnerLitAt, first("steam-steady"));
    between("comeUp", first("weight-on"), view.attempts[0]?.startedAt ?? null);
    between("coolDown", view.heatOffAt, view.lockDownAt ?? view.zeroAt);
    between("unload", view.lidOffAt, view.unloadedAt);
  }
  return past;
}
