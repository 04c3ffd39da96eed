import { eq } from "drizzle-orm";
import { refuse, Refused, type Larder } from "#store/db";
import { CLOCK_SLACK_MS, runAt, whyNot, whyNotBelieved, type RunEvent, type RunView } from "#core/run";
import { audit, run, type EventDetail } from "../schema/index.ts";
import { bringToHand, eventsOf, eventsSince, nowFor } from "./event-rows.ts";

export type NewEvent = Omit<RunEvent, "seq">;

export interface Appended {
  accepted: number;
  duplicates: number;
  view: RunView;
}

type RunRow = typeof run.$inferSelect;

const runRow = (larder: Larder, runId: string): RunRow =>
  larder.db.select().from(run).where(eq(run.id, runId)).get() ?? refuse("There is no such run.", 404);

/** Why an event cannot have happened when it says; null when it can. */
function whyNotThen(row: RunRow, at: number, now: number): string | null {
  if (!Number.isFinite(at)) return "This is not an instant.";
  if (at > now + CLOCK_SLACK_MS) return "This lies in the future. Set the clock of whatever sent it.";
  if (at < row.openedAt - CLOCK_SLACK_MS) return "This lies before the run was opened.";
  return null;
}

/** Nothing is written down by a clock that has jumped back: it would stand before what it came after. */
function checkClock(larder: Larder, runId: string, now: number): void {
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

/** Stores events in the order given. @returns how many were new */
function insertEvents(larder: Larder, runId: string, events: readonly NewEvent[], now: number): number {
  const insert = larder.sqlite.prepare(
    `insert into run_event (id, run_id, at, type, gauge_kpa, temp_c, corrects, by_name, note, source, detail, recorded_at)
     values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?) on conflict do nothing`,
  );
  let accepted = 0;
  for (const e of events) {
    const { perMinute, weightKPa, alarm, asked, container, siphoned } = e;
    const detail: EventDetail = { perMinute, weightKPa, alarm, asked, container, siphoned };
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
  return accepted;
}

/**
 * Appends what happened to a run: all of it or, when any is refused, none.
 *
 * An id that is already there is a duplicate and is counted, not stored. When this returns, what was accepted
 * survives a power cut.
 * @throws Refused for an unknown run, an event from the future, or one from before the run was opened
 */
export function appendEvents(larder: Larder, runId: string, events: readonly NewEvent[]): Appended {
  bringToHand(larder, runId);
  return larder.sqlite
    .transaction(() => append(larder, runRow(larder, runId), eventsOf(larder, runId), events, larder.now()))
    .immediate();
}

/** Appends to a run whose events so far are at hand. Inside a transaction. */
function append(
  larder: Larder,
  row: RunRow,
  before: readonly RunEvent[],
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
  return { accepted, duplicates: events.length - accepted, view: keepInStep(larder, row, now, before) };
}

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
      const known = new Set(events.map((e) => e.id));
      // Only a run that may be over is asked whether it is: folding thousands of events costs a gauge its answer.
      const over = events.some((e) => ENDS.has(e.type))
        ? overAt(runAt(row.plan, events, row.openedAt, nowFor(events, now)), row.endedAt)
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
          const near = before.slice(
            Math.max(0, lastBefore(before, r.at) - BACK_MOST),
            lastBefore(before, r.at),
          );
          const why = whyNotBelieved(figure, near);
          if (why) {
            refused.push({ index, id: r.id, field: "gaugeKPa", reason: why });
            continue;
          }
          gaugeKPa = Math.max(0, gaugeKPa);
          before.splice(lastBefore(before, r.at), 0, figure);
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

/** Readings looked back on at most, so that a gauge that sends ten times a second costs no more. */
const BACK_MOST = 600;

/** Where a figure of an instant belongs in figures ordered by time. */
function lastBefore(figures: readonly { at: number }[], at: number): number {
  let [low, high] = [0, figures.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if (figures[mid]!.at <= at) low = mid + 1;
    else high = mid;
  }
  return low;
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

/**
 * Writes down what follows from the events where other queries need it. Same transaction as the events.
 * @param before events that were there already; only what was appended since is read
 */
function keepInStep(larder: Larder, row: RunRow, now: number, before: readonly RunEvent[]): RunView {
  const events = [...before, ...eventsSince(larder, row.id, before.at(-1)?.seq ?? 0)];
  const view = runAt(row.plan, events, row.openedAt, nowFor(events, now));
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

/** What somebody at the stove says; `at` when it happened, when that is not now. */
export type Tap = Omit<NewEvent, "at"> & { at?: number };

/**
 * What somebody at the stove says. The guard is asked first, so that a slip of the finger is refused in words; a tap
 * that has already been taken is answered again.
 */
export function tapRun(larder: Larder, runId: string, tap: Tap): Appended {
  bringToHand(larder, runId);
  return larder.sqlite
    .transaction(() => {
      const row = runRow(larder, runId);
      const events = eventsOf(larder, runId);
      const now = larder.now();
      const at = tap.at ?? now;
      if (!events.some((e) => e.id === tap.id)) {
        checkClock(larder, runId, now);
        const view = runAt(row.plan, events, row.openedAt, Math.min(at, now));
        const no = whyNot(view, tap.type, row.plan, tap.weightKPa);
        if (no) throw new Refused({ "": no }, 409);
      }
      return append(larder, row, events, [{ ...tap, at }], now);
    })
    .immediate();
}

/** What became of a tap that a stove screen kept until it could be delivered. */
export interface TapAnswer {
  id: string;
  /** why it was not taken; null when it was, now or before */
  refused: string | null;
}

/** Takes the taps of a stove screen in their order, each by itself: one that does not fit does not hold up the rest. */
export function tapAll(larder: Larder, runId: string, taps: readonly NewEvent[]): TapAnswer[] {
  return larder.sqlite
    .transaction(() =>
      taps.map((tap): TapAnswer => {
        try {
          tapRun(larder, runId, tap);
          return { id: tap.id, refused: null };
        } catch (error) {
          if (!(error instanceof Refused) || error.status === 404) throw error;
          return { id: tap.id, refused: Object.values(error.fields).join(" ") };
        }
      }),
    )
    .immediate();
}
