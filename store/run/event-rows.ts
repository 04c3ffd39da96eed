import { FoldedRun, runAt, type RunEvent, type RunPlan, type RunView } from "#core/run";
import type { Larder } from "#store/db";
import type { EventDetail } from "../schema/index.ts";

/** Runs whose events are kept at hand: those at the stove, and a few that were looked at. */
const AT_HAND = 12;
interface Hand {
  /** committed events in order of arrival; they are only ever appended */
  events: RunEvent[];
  /** the same, folded as far as somebody has looked; null before that */
  folded: FoldedRun | null;
  /** instant of the latest, ms since 1970 UTC; 0 without one */
  latestAt: number;
}
const atHand = new WeakMap<Larder["sqlite"], Map<string, Hand>>();

/** Events of a run so far. Nothing is copied: what one more event costs does not grow with the run. */
export interface SoFar {
  /** committed, in order of arrival; not to be changed */
  settled: readonly RunEvent[];
  /** written in this transaction and not committed yet, in order of arrival */
  fresh: readonly RunEvent[];
  latestAt: number;
}

const latestOf = (events: readonly RunEvent[], least: number) =>
  events.reduce((latest, e) => Math.max(latest, e.at), least);

/**
 * Returns the events of a run, with the state folded from those that are settled; only what arrived since the last
 * call is read. Inside a transaction nothing is memoized.
 */
export function readEvents(larder: Larder, runId: string): SoFar {
  const runs = atHand.get(larder.sqlite) ?? new Map<string, Hand>();
  const hand = runs.get(runId) ?? { events: [], folded: null, latestAt: 0 };
  const fresh = eventsSince(larder, runId, hand.events.at(-1)?.seq ?? 0);
  const latestAt = latestOf(fresh, hand.latestAt);
  if (larder.sqlite.inTransaction) return { settled: hand.events, fresh, latestAt };
  for (const e of fresh) hand.events.push(e);
  hand.latestAt = latestAt;
  runs.delete(runId);
  runs.set(runId, hand);
  if (runs.size > AT_HAND) runs.delete(runs.keys().next().value!);
  atHand.set(larder.sqlite, runs);
  return { settled: hand.events, fresh: [], latestAt };
}

/** Returns all events of a run, in order of arrival. */
export function eventsOf(larder: Larder, runId: string): RunEvent[] {
  const { settled, fresh } = readEvents(larder, runId);
  return [...settled, ...fresh];
}

/**
 * Returns a run at an instant, as `runAt` would, without folding again what was folded before.
 *
 * @param now ms since 1970 UTC
 */
export function viewOfRun(
  larder: Larder,
  run: { id: string; plan: RunPlan; openedAt: number },
  { settled, fresh }: SoFar,
  now: number,
): RunView {
  const hand = atHand.get(larder.sqlite)?.get(run.id);
  if (hand?.events !== settled) return runAt(run.plan, [...settled, ...fresh], run.openedAt, now);
  hand.folded ??= new FoldedRun(run.plan, run.openedAt);
  hand.folded.add(settled.slice(hand.folded.taken));
  return hand.folded.at(now, fresh);
}

/** Reads the new events of a run before a write begins, since what is read inside one is not memoized. */
export function readNewEvents(larder: Larder, runId: string): void {
  if (!larder.sqlite.inTransaction) readEvents(larder, runId);
}

/**
 * Returns the present for a run, ms since 1970 UTC: never before its last event, so that a clock that jumps back
 * undoes nothing.
 *
 * @param now ms since 1970 UTC
 */
export const nowFor = ({ latestAt }: SoFar, now: number): number => Math.max(latestAt, now);

interface EventRow {
  seq: number;
  id: string;
  at: number;
  type: RunEvent["type"];
  gauge: number | null;
  temp: number | null;
  corrects: string | null;
  by: string | null;
  note: string | null;
  source: string | null;
  detail: string | null;
  recordedAt: number;
}

/** Heard of later than this is late, ms: the record then shows both. */
const LATE_MS = 5_000;

/**
 * Returns the events of a run that arrived after another, in order of arrival.
 *
 * @param after `seq` of that one; 0 for all
 */
export function eventsSince(larder: Larder, runId: string, after: number): RunEvent[] {
  const rows = larder.sqlite
    .prepare(
      `select seq, id, at, type, gauge_kpa as gauge, temp_c as temp, corrects, by_name as "by", note, source, detail,
         recorded_at as recordedAt
       from run_event where run_id = ? and seq > ? order by seq`,
    )
    .all(runId, after) as EventRow[];
  return rows.map((e) => {
    const event: RunEvent = { id: e.id, at: e.at, seq: e.seq, type: e.type };
    if (e.gauge !== null) event.gaugeKPa = e.gauge;
    if (e.temp !== null) event.tempC = e.temp;
    if (e.corrects !== null) event.corrects = e.corrects;
    if (e.by !== null) event.by = e.by;
    if (e.note !== null) event.text = e.note;
    if (e.source !== null) event.source = e.source;
    else if (e.recordedAt - e.at > LATE_MS) event.heardAt = e.recordedAt;
    return e.detail === null ? event : { ...event, ...(JSON.parse(e.detail) as EventDetail) };
  });
}
