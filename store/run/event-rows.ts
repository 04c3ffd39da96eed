import { FoldedRun, runAt, type RunEvent, type RunPlan, type RunView } from "#core/run";
import { type Larder } from "#store/db";
import { type EventDetail } from "../schema/index.ts";

/** Runs whose events are kept at hand: those at the stove, and a few that were looked at. */
const AT_HAND = 12;
interface Hand {
  events: RunEvent[];
  /** the same, folded as far as somebody has looked; null before that */
  folded: FoldedRun | null;
}
const atHand = new WeakMap<Larder["sqlite"], Map<string, Hand>>();

/**
 * Events of a run in order of arrival. They are only ever appended, so what was read once is kept and only what came
 * since is read. What is not committed yet is read, and not kept.
 */
export function eventsOf(larder: Larder, runId: string): RunEvent[] {
  const runs = atHand.get(larder.sqlite) ?? new Map<string, Hand>();
  const hand = runs.get(runId);
  const known = hand?.events ?? [];
  const fresh = eventsSince(larder, runId, known.at(-1)?.seq ?? 0);
  const all = fresh.length ? [...known, ...fresh] : known;
  if (!larder.sqlite.inTransaction) {
    runs.delete(runId);
    runs.set(runId, { events: all, folded: hand?.folded ?? null });
    if (runs.size > AT_HAND) runs.delete(runs.keys().next().value!);
    atHand.set(larder.sqlite, runs);
  }
  return [...all];
}

/**
 * A run at an instant: what was folded at an earlier look is not folded again. The same as `runAt`.
 * @param events all of them in order of arrival, those that are not committed yet included
 */
export function viewOfRun(
  larder: Larder,
  run: { id: string; plan: RunPlan; openedAt: number },
  events: readonly RunEvent[],
  now: number,
): RunView {
  const hand = atHand.get(larder.sqlite)?.get(run.id);
  const kept = hand?.events.length ?? 0;
  if (!hand || kept > events.length || events[kept - 1]?.seq !== hand.events.at(-1)?.seq)
    return runAt(run.plan, events, run.openedAt, now);
  hand.folded ??= new FoldedRun(run.plan, run.openedAt);
  hand.folded.add(hand.events.slice(hand.folded.size));
  return hand.folded.at(now, events.slice(kept));
}

/** Reads what came since before a write begins: what is read inside one is not kept. */
export function bringToHand(larder: Larder, runId: string): void {
  if (!larder.sqlite.inTransaction) eventsOf(larder, runId);
}

/**
 * Now, for a run with these events: never before the last of them. A machine's clock that jumps back takes nothing back
 * that has happened.
 */
export function nowFor(events: readonly RunEvent[], now: number): number {
  return events.reduce((latest, e) => Math.max(latest, e.at), now);
}

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
}

/**
 * Events of a run that arrived after another, in order of arrival. @param after `seq` of that one; 0 for all
 *
 * Read without the schema's mapping: a gauge that sends every second makes ten thousand of them.
 */
export function eventsSince(larder: Larder, runId: string, after: number): RunEvent[] {
  const rows = larder.sqlite
    .prepare(
      `select seq, id, at, type, gauge_kpa as gauge, temp_c as temp, corrects, by_name as "by", note, source, detail
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
    return e.detail === null ? event : { ...event, ...(JSON.parse(e.detail) as EventDetail) };
  });
}
