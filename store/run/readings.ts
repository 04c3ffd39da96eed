import { refuseBeyondReach, type Larder } from "#store/db";
import {
  BELIEF_MS,
  believedInstant,
  insertionIndex,
  whyNotBelieved,
  type Instant,
  type RunView,
} from "#core/run";
import {
  insertEvents,
  updateStoredState,
  runRow,
  whyNotThen,
  type Appended,
  type NewEvent,
} from "./append.ts";
import { readNewEvents, nowFor, readEvents, viewOfRun } from "./event-rows.ts";

/** A reading that was not taken, by its place in what was sent. */
export interface RefusedReading {
  index: number;
  id: string;
  /** the part that is wrong */
  field: "at" | "gaugeKPa" | "id";
  reason: string;
}

export type SentReading = Pick<NewEvent, "id" | "at" | "gaugeKPa" | "tempC"> & {
  /** place in what was sent */
  index: number;
};

/**
 * Stores what a gauge sent, reading by reading. Returns how many were new, how many were duplicates, and each that was
 * refused, with its reason.
 *
 * @param source name of the gauge, by which it is told from others
 * @param sentAt what the gauge's clock shows as it sends, ms since 1970 UTC; null when it does not say, and its
 *   readings count from their arrival
 * @param heardAt when it arrived, ms since 1970 UTC; now when left out
 */
export function takeReadings(
  larder: Larder,
  runId: string,
  readings: readonly SentReading[],
  source?: string,
  sentAt: number | null = null,
  heardAt = larder.now(),
): Appended & { refused: RefusedReading[] } {
  refuseBeyondReach({ tap: "reading" });
  readNewEvents(larder, runId);
  return larder.sqlite
    .transaction(() => {
      const row = runRow(larder, runId);
      const now = larder.now();
      const known = alreadyThere(larder, readings);
      const events = readEvents(larder, runId);
      const over = overAt(viewOfRun(larder, row, events, nowFor(events, now)), row.endedAt);
      const before = figuresAround(larder, runId, readings, source);
      const refused: RefusedReading[] = [];
      const taken: NewEvent[] = [];
      let duplicates = 0;
      for (const { index, ...r } of [...readings].sort((a, b) => a.at - b.at || a.index - b.index)) {
        const there = known.get(r.id);
        if (there) {
          if (isSame(there, runId, r)) duplicates++;
          else refused.push({ index, id: r.id, field: "id", reason: usedFor(there) });
          continue;
        }
        const instant = believedInstant({ at: r.at, sentAt, heardAt });
        // A clock that is behind costs no reading: what it claims is not gone by. One that is ahead is told so.
        const late = whyNotThen(row, instant.by === "doubted" ? Math.max(r.at, instant.at) : r.at, now);
        const ended =
          over !== null && instant.at > over
            ? "The canner was unloaded or its run stopped before this."
            : null;
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
        known.set(r.id, { runId, gaugeKPa: gaugeKPa ?? null, tempC: r.tempC ?? null });
        taken.push({ ...r, ...asStored(r.at, instant), gaugeKPa, type: "reading", source });
      }
      const accepted = insertEvents(larder, runId, taken, now);
      refused.sort((a, b) => a.index - b.index);
      return {
        accepted,
        duplicates: duplicates + taken.length - accepted,
        refused,
        view: updateStoredState(larder, row, now),
      };
    })
    .immediate();
}

/** What an id stands for already. */
interface There {
  runId: string;
  gaugeKPa: number | null;
  tempC: number | null;
}

/** What the ids that were sent stand for already. */
function alreadyThere({ sqlite }: Larder, readings: readonly SentReading[]): Map<string, There> {
  const rows = sqlite
    .prepare(
      `select id, run_id as runId, gauge_kpa as gaugeKPa, temp_c as tempC from run_event
       where id in (select value from json_each(?))`,
    )
    .all(JSON.stringify(readings.map((r) => r.id))) as ({ id: string } & There)[];
  return new Map(rows.map((r) => [r.id, r]));
}

/** Figures that went through JSON and back differ by less than this. */
const ROUNDING = 1e-6;

const near = (stored: number | null, sent: number | undefined) =>
  stored === null || sent === undefined
    ? stored === null && sent === undefined
    : Math.abs(stored - (stored === 0 ? Math.max(0, sent) : sent)) < ROUNDING;

/** Whether it is the same reading once more, and not another one under its id. */
function isSame(there: There, runId: string, r: Omit<SentReading, "index">): boolean {
  return there.runId === runId && near(there.gaugeKPa, r.gaugeKPa) && near(there.tempC, r.tempC);
}

function usedFor({ gaugeKPa, tempC }: There): string {
  const what = gaugeKPa === null ? `${tempC ?? 0} °C` : `${Math.round(gaugeKPa * 100) / 100} kPa`;
  return `This id was used before for another reading (${what}). Give each reading an id of its own.`;
}

/**
 * Returns an instant as it is stored: one that is doubted keeps the claimed one beside it.
 *
 * @param claimed ms since 1970 UTC
 */
export const asStored = (
  claimed: number,
  { at, by }: Instant,
): Pick<NewEvent, "at" | "knownBy" | "claimedAt"> =>
  by === "doubted" ? { at, knownBy: by, claimedAt: claimed } : { at };

/** Figures of the same gauge near those that came, in order of time: what they are believed by. */
function figuresAround(
  { sqlite }: Larder,
  runId: string,
  readings: readonly SentReading[],
  source: string | undefined,
): { at: number; gaugeKPa: number }[] {
  const [from, to] = readings.reduce(
    ([least, most], r) => [Math.min(least, r.at), Math.max(most, r.at)],
    [Infinity, -Infinity],
  );
  return sqlite
    .prepare(
      `select at, gauge_kpa as gaugeKPa from run_event where run_id = ? and at between ? and ? and type = 'reading'
         and gauge_kpa is not null and source is ? order by at`,
    )
    .all(runId, from - BELIEF_MS, to, source ?? null) as { at: number; gaugeKPa: number }[];
}

/** Readings looked back on at most, so that a gauge that sends ten times a second costs no more. */
const BACK_MOST = 600;

/** Where a figure of an instant belongs in figures ordered by time. */
function lastBefore(figures: readonly { at: number }[], at: number): number {
  return insertionIndex(figures, (f) => f.at <= at);
}

/** When a run took no more readings; null while it does. */
function overAt(view: RunView, endedAt: number | null): number | null {
  return view.unloadedAt ?? endedAt;
}
