import { type Larder } from "#store/db";
import { placeAmong, whyNotBelieved, type RunEvent, type RunView } from "#core/run";
import { insertEvents, keepInStep, runRow, whyNotThen, type Appended, type NewEvent } from "./append.ts";
import { bringToHand, eventsOf, nowFor, viewOfRun } from "./event-rows.ts";

/** A reading that was not taken, by its place in what was sent. */
export interface RefusedReading {
  index: number;
  id: string;
  /** the part that is wrong */
  field: "at" | "gaugeKPa";
  reason: string;
}

export type SentReading = Pick<NewEvent, "id" | "at" | "gaugeKPa" | "tempC"> & {
  /** place in what was sent */
  index: number;
};

/**
 * Takes what a gauge sent, reading by reading: each is stored, known already, or refused with its reason. What is
 * refused changes nothing.
 * @param source name of the gauge, when it says one: a second gauge on the run is told apart by it
 */
export function takeReadings(
  larder: Larder,
  runId: string,
  readings: readonly SentReading[],
  source?: string,
): Appended & { refused: RefusedReading[] } {
  bringToHand(larder, runId);
  return larder.sqlite
    .transaction(() => {
      const row = runRow(larder, runId);
      const now = larder.now();
      const events = eventsOf(larder, runId);
      const known = new Set(alreadyThere(larder, runId, readings));
      // Only a run that may be over is asked whether it is: folding thousands of events costs a gauge its answer.
      const over = events.some((e) => ENDS.has(e.type))
        ? overAt(viewOfRun(larder, row, events, nowFor(events, now)), row.endedAt)
        : null;
      const same = events
        .filter((e) => e.type === "reading" && e.gaugeKPa !== undefined && e.source === source)
        .map((e) => ({ at: e.at, gaugeKPa: e.gaugeKPa! }));
      const before = [...same].sort((a, b) => a.at - b.at);
      const refused: RefusedReading[] = [];
      const taken: NewEvent[] = [];
      let duplicates = 0;
      for (const { index, ...r } of [...readings].sort((a, b) => a.at - b.at || a.index - b.index)) {
        if (known.has(r.id)) {
          duplicates++;
          continue;
        }
        const late = whyNotThen(row, r.at, now);
        const ended =
          over !== null && r.at > over ? "The canner was unloaded or given up before this." : null;
        if (late ?? ended) {
          refused.push({ index, id: r.id, field: "at", reason: (late ?? ended)! });
          continue;
        }
        let { gaugeKPa } = r;
        if (gaugeKPa !== undefined) {
          const figure = { at: r.at, gaugeKPa };
          const place = lastBefore(before, r.at);
          const near = before.slice(Math.max(0, place - BACK_MOST), place);
          const why = whyNotBelieved(figure, near);
          if (why) {
            refused.push({ index, id: r.id, field: "gaugeKPa", reason: why });
            continue;
          }
          gaugeKPa = Math.max(0, gaugeKPa);
          before.splice(place, 0, figure);
        }
        known.add(r.id);
        taken.push({ ...r, gaugeKPa, type: "reading", source });
      }
      const accepted = insertEvents(larder, runId, taken, now);
      refused.sort((a, b) => a.index - b.index);
      return {
        accepted,
        duplicates: duplicates + taken.length - accepted,
        refused,
        view: keepInStep(larder, row, now, events),
      };
    })
    .immediate();
}

/** Ids of readings that the run has already. */
function alreadyThere({ sqlite }: Larder, runId: string, readings: readonly SentReading[]): string[] {
  return sqlite
    .prepare("select id from run_event where run_id = ? and id in (select value from json_each(?))")
    .pluck()
    .all(runId, JSON.stringify(readings.map((r) => r.id))) as string[];
}

/** Readings looked back on at most, so that a gauge that sends ten times a second costs no more. */
const BACK_MOST = 600;

/** Where a figure of an instant belongs in figures ordered by time. */
function lastBefore(figures: readonly { at: number }[], at: number): number {
  return placeAmong(figures, (f) => f.at <= at);
}

/** Events after which a run may take no more readings. */
const ENDS: ReadonlySet<RunEvent["type"]> = new Set([
  "unloaded",
  "container-out",
  "checked",
  "abort",
  "correction",
]);

/** When a run took no more readings; null while it does. */
function overAt(view: RunView, endedAt: number | null): number | null {
  return view.unloadedAt ?? endedAt;
}
