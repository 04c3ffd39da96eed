import { eq } from "drizzle-orm";
import { changed, refuse, Refused, type Larder } from "#store/db";
import { CLOCK_SLACK_MS, type RunEvent, type RunView } from "#core/run";
import { audit, run, type EventDetail } from "../schema/index.ts";
import { readNewEvents, nowFor, readEvents, viewOfRun } from "./event-rows.ts";

export type NewEvent = Omit<RunEvent, "seq" | "heardAt">;

export interface Appended {
  accepted: number;
  duplicates: number;
  view: RunView;
}

export type RunRow = typeof run.$inferSelect;

/** Returns the row of a run. Throws Refused (404) when there is none of this id. */
export const runRow = (larder: Larder, runId: string): RunRow =>
  larder.db.select().from(run).where(eq(run.id, runId)).get() ?? refuse("There is no such run.", 404);

/**
 * Returns why an event cannot have happened at an instant, as a sentence: it is in the future, or before the run was
 * opened. Null when it can.
 *
 * @param at ms since 1970 UTC
 * @param now ms since 1970 UTC
 */
export function whyNotThen(row: RunRow, at: number, now: number): string | null {
  if (!Number.isFinite(at)) return "This is not an instant.";
  if (at > now + CLOCK_SLACK_MS) return "This lies in the future. Set the clock of whatever sent it.";
  if (at < row.openedAt - CLOCK_SLACK_MS) return "This lies before the run was opened.";
  return null;
}

/**
 * Throws Refused when the clock has jumped back before the last event of a run: what is recorded now would be placed
 * before it.
 *
 * @param now ms since 1970 UTC
 */
export function checkClock(larder: Larder, runId: string, now: number): void {
  const last = larder.sqlite
    .prepare("select recorded_at from run_event where run_id = ? order by seq desc limit 1")
    .pluck()
    .get(runId) as number | undefined;
  if (last !== undefined && now < last - CLOCK_SLACK_MS)
    throw new Refused(
      {
        "": "The clock of the larder’s machine has jumped back. Set it right, then say this again: what was said stands.",
      },
      409,
    );
}

/**
 * Stores events in the order given. Returns how many were new.
 *
 * @param now ms since 1970 UTC
 */
export function insertEvents(
  larder: Larder,
  runId: string,
  events: readonly NewEvent[],
  now: number,
): number {
  const insert = larder.sqlite.prepare(
    `insert into run_event (id, run_id, at, type, gauge_kpa, temp_c, corrects, by_name, note, source, detail, recorded_at)
     values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict do nothing`,
  );
  let accepted = 0;
  for (const e of events) {
    const { perMinute, weightKPa, alarm, asked, container, siphoned, knownBy, claimedAt, stepMs } = e;
    const detail: EventDetail = {
      perMinute,
      weightKPa,
      alarm,
      asked,
      container,
      siphoned,
      knownBy,
      claimedAt,
      stepMs,
    };
    const json = JSON.stringify(detail);
    accepted += insert.run(
      e.id,
      runId,
      // A clock a little ahead is set back to ours, so that nothing waits for its own future.
      Math.min(e.at, now),
      e.type,
      e.gaugeKPa ?? null,
      e.tempC ?? null,
      e.corrects ?? null,
      e.by ?? null,
      e.text ?? null,
      e.source ?? null,
      json === "{}" ? null : json,
      now,
    ).changes;
  }
  if (accepted > 0) changed(larder, events.every((e) => e.type === "reading") ? "figures" : "event");
  return accepted;
}

/**
 * Appends events to a run, all or none. Returns how many were new and how many were duplicates, which are not stored.
 * When it returns, they survive a power cut. Throws Refused for an unknown run, an event from the future, or one from
 * before the run was opened.
 */
export function appendEvents(larder: Larder, runId: string, events: readonly NewEvent[]): Appended {
  readNewEvents(larder, runId);
  return larder.sqlite
    .transaction(() => appendInTransaction(larder, runRow(larder, runId), events, larder.now()))
    .immediate();
}

/**
 * Appends events to a run as `appendEvents` does, and throws so; call inside a transaction.
 *
 * @param now ms since 1970 UTC
 */
export function appendInTransaction(
  larder: Larder,
  row: RunRow,
  events: readonly NewEvent[],
  now: number,
): Appended {
  const problems: Record<string, string> = {};
  events.forEach((e, i) => {
    const why = whyNotThen(row, e.at, now);
    if (why) problems[`readings.${i}.at`] = why;
  });
  if (Object.keys(problems).length > 0) throw new Refused(problems);
  checkClock(larder, row.id, now);
  const accepted = insertEvents(larder, row.id, events, now);
  return { accepted, duplicates: events.length - accepted, view: updateStoredState(larder, row, now) };
}

/**
 * Stores what follows from a run's events where other queries need it; call in the same transaction. Returns the run
 * at `now`.
 *
 * @param now ms since 1970 UTC
 */
export function updateStoredState(larder: Larder, row: RunRow, now: number): RunView {
  const events = readEvents(larder, row.id);
  const view = viewOfRun(larder, row, events, nowFor(events, now));
  const endedAt = view.phase === "checked" || view.phase === "aborted" ? view.phaseSince : null;
  const completedAt = view.outcome === "processed" ? view.completedAt : null;
  if (endedAt !== row.endedAt || completedAt !== row.completedAt) {
    larder.db.update(run).set({ endedAt, completedAt }).where(eq(run.id, row.id)).run();
    if (endedAt !== null && endedAt !== row.endedAt) anchor(larder, row.id);
  }
  return view;
}

/**
 * Writes down in the audit how a run's chain ends, now that the run has: lines cut off its end later would leave the run
 * whole in itself, but not what the audit says of it.
 */
function anchor(larder: Larder, runId: string): void {
  const { seq, hash } = larder.sqlite
    .prepare("select seq, hash from chain_link where chain = ? order by seq desc limit 1")
    .get(runId) as { seq: number; hash: string };
  larder.db
    .insert(audit)
    .values({
      at: larder.now(),
      byId: null,
      action: "run.ended",
      entityKind: "run",
      entityId: runId,
      detail: JSON.stringify({ seq, hash }),
    })
    .run();
}
