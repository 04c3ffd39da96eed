import { eq } from "drizzle-orm";
import { refuse, Refused, type Larder } from "#store/db";
import { runAt, whyNot, type RunEvent, type RunEventType, type RunView } from "#core/run";
import { run, runEvent } from "../schema/index.ts";
import { eventsOf } from "./run.ts";

/** A clock may run ahead of ours by this much, ms. More is an event from the future. */
const CLOCK_SLACK_MS = 120_000;

export type NewEvent = Omit<RunEvent, "seq">;

export interface Appended {
  accepted: number;
  duplicates: number;
  view: RunView;
}

/**
 * Appends what happened to a run: all of it or, when any is refused, none.
 *
 * An id that is already there is a duplicate and is counted, not stored. When this returns, what was accepted
 * survives a power cut.
 * @throws Refused for an unknown run, an event from the future, or one from before the run was opened
 */
export function appendEvents(larder: Larder, runId: string, events: readonly NewEvent[]): Appended {
  return larder.sqlite
    .transaction((): Appended => {
      const row = larder.db.select().from(run).where(eq(run.id, runId)).get();
      if (!row) refuse("There is no such run.", 404);
      const now = larder.now();
      const problems: Record<string, string> = {};
      events.forEach((e, i) => {
        if (e.at > now + CLOCK_SLACK_MS)
          problems[`readings.${i}.at`] = "This lies in the future. Set the clock of whatever sent it.";
        if (e.at < row.openedAt - CLOCK_SLACK_MS)
          problems[`readings.${i}.at`] = "This lies before the run was opened.";
      });
      if (Object.keys(problems).length > 0) throw new Refused(problems);
      let accepted = 0;
      for (const e of events) {
        const done = larder.db
          .insert(runEvent)
          .values({
            id: e.id,
            runId,
            // A clock a little ahead is set back to ours, so that nothing waits for its own future.
            at: Math.min(e.at, now),
            type: e.type,
            gaugeKPa: e.gaugeKPa ?? null,
            tempC: e.tempC ?? null,
            corrects: e.corrects ?? null,
            byName: e.by ?? null,
            note: e.text ?? null,
            recordedAt: now,
          })
          .onConflictDoNothing()
          .run();
        accepted += done.changes;
      }
      const view = keepInStep(larder, row, now);
      return { accepted, duplicates: events.length - accepted, view };
    })
    .immediate();
}

/** Writes down what follows from the events where other queries need it. Same transaction as the events. */
function keepInStep(larder: Larder, row: typeof run.$inferSelect, now: number): RunView {
  const view = runAt(row.plan, eventsOf(larder, row.id), row.openedAt, now);
  const endedAt = view.phase === "checked" || view.phase === "aborted" ? view.phaseSince : null;
  const completedAt = view.outcome === "processed" ? view.completedAt : null;
  if (endedAt !== row.endedAt || completedAt !== row.completedAt) {
    larder.db.update(run).set({ endedAt, completedAt }).where(eq(run.id, row.id)).run();
  }
  return view;
}

export interface Tap {
  /** made on the screen; the same tap twice is one */
  id: string;
  type: RunEventType;
  gaugeKPa?: number;
  corrects?: string;
  by?: string;
  text?: string;
  /** when it happened, when that is not now */
  at?: number;
}

/**
 * What somebody at the stove says. The guard is asked first, so that a slip of the finger is refused in words; a tap
 * that has already been taken is answered again.
 */
export function tapRun(larder: Larder, runId: string, tap: Tap): Appended {
  const row = larder.db.select().from(run).where(eq(run.id, runId)).get();
  if (!row) refuse("There is no such run.", 404);
  const events = eventsOf(larder, runId);
  const at = tap.at ?? larder.now();
  if (!events.some((e) => e.id === tap.id)) {
    const no = whyNot(runAt(row.plan, events, row.openedAt, Math.min(at, larder.now())), tap.type);
    if (no) throw new Refused({ "": no }, 409);
  }
  return appendEvents(larder, runId, [{ ...tap, at }]);
}
