import { type RunEvent } from "#core/run";
import { type Larder } from "#store/db";
import { type EventDetail } from "../schema/index.ts";

/** Events of a run in order of arrival. */
export function eventsOf(larder: Larder, runId: string): RunEvent[] {
  return eventsSince(larder, runId, 0);
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
