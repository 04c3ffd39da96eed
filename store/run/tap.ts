import { HOUR_MS } from "#core/quantity";
import { refuseBeyondReach, Refused, type Larder } from "#store/db";
import { believedInstant, whyNot, whyNotUndone, type Instant, type RunEvent } from "#core/run";
import { appendInTransaction, checkClock, runRow, type Appended, type NewEvent } from "./append.ts";
import { asStored } from "./readings.ts";
import { readNewEvents, readEvents, viewOfRun } from "./event-rows.ts";

/** What somebody at the stove says; `at` when it happened, when that is not now. */
export type Tap = Omit<NewEvent, "at" | "knownBy" | "claimedAt"> & {
  at?: number;
  /** the screen saw its own clocks part, and could not compare them with ours before it sent this */
  uncertain?: boolean;
};

/** How taps come that a screen kept until it could deliver them. */
export interface Delivery {
  /**
   * what the screen's clock showed as it sent this, by our clock as it last heard it, ms since 1970 UTC; null when it did
   * not say: an instant that is not now is then doubted
   */
  sentAt: number | null;
}

/** A screen keeps a tap for so long at most, ms: what is older is not taken. Common practice, no source. */
const KEPT_AT_MOST_MS = 48 * HOUR_MS;

/**
 * Records what somebody at the stove says, once for each id, after asking the guard. Returns whether it was new.
 * Throws Refused when the guard refuses it.
 *
 * @param delivery for what a device kept and delivers now: its instant is then a claim. Null: the instant is a
 *   person's word, as for a run kept on paper
 */
export function tapRun(
  larder: Larder,
  runId: string,
  { uncertain, ...tap }: Tap,
  delivery: Delivery | null = null,
): Appended {
  refuseBeyondReach({ tap: tap.type });
  readNewEvents(larder, runId);
  return larder.sqlite
    .transaction(() => {
      const row = runRow(larder, runId);
      const now = larder.now();
      const claimed = tap.at ?? now;
      const instant: Instant = delivery
        ? believedInstant({ at: claimed, sentAt: delivery.sentAt, heardAt: now, uncertain })
        : { at: claimed };
      const event: NewEvent = { ...tap, ...asStored(claimed, instant) };
      if (instant.by === "device") event.knownBy = "device";
      if (!isThere(larder, runId, event)) {
        checkClock(larder, runId, now);
        if (delivery && now - claimed > KEPT_AT_MOST_MS)
          throw new Refused(
            { "": "This was pressed more than two days ago, and is not taken any more." },
            409,
          );
        const view = viewOfRun(larder, row, readEvents(larder, runId), Math.min(event.at, now));
        const no = whyNot(view, tap.type, row.plan, tap.weightKPa) ?? whyNotTakenBack(larder, runId, tap);
        if (no) throw new Refused({ "": no }, 409);
      }
      return appendInTransaction(larder, row, [event], now);
    })
    .immediate();
}

/** Whether it was taken before. @throws Refused when its id stands for something else */
function isThere(larder: Larder, runId: string, event: NewEvent): boolean {
  const there = larder.sqlite
    .prepare("select run_id as runId, type, gauge_kpa as gaugeKPa from run_event where id = ?")
    .get(event.id) as { runId: string; type: RunEvent["type"]; gaugeKPa: number | null } | undefined;
  if (!there) return false;
  if (there.runId === runId && there.type === event.type && there.gaugeKPa === (event.gaugeKPa ?? null))
    return true;
  throw new Refused(
    {
      "": `This was recorded before as “${there.type}”, and came again as “${event.type}”. The first stands. Record the second again.`,
    },
    409,
  );
}

/** Asks whether what a correction takes back may be taken back, with what became of the run's containers since. */
function whyNotTakenBack(larder: Larder, runId: string, tap: Tap): string | null {
  if (tap.type !== "correction" || !tap.corrects) return null;
  const type = larder.sqlite
    .prepare("select type from run_event where run_id = ? and id = ?")
    .pluck()
    .get(runId, tap.corrects) as RunEvent["type"] | undefined;
  if (!type) return null;
  const decided = larder.sqlite
    .prepare(
      `select (select count(*) from container c join pack k on k.id = c.pack_id where k.run_id = @runId and c.disposition is not null)
         + (select count(*) from audit where action = 'run.take-out' and entity_id = @runId)`,
    )
    .pluck()
    .get({ runId }) as number;
  return whyNotUndone(type, decided);
}

/** What became of a tap that a stove screen kept until it could be delivered. */
export interface TapAnswer {
  id: string;
  /** why it was not taken; null when it was, now or before */
  refused: string | null;
}

/**
 * Records the taps of a stove screen in order, each by itself, so that one that is refused holds up none. Returns an
 * answer for each.
 */
export function tapAll(larder: Larder, runId: string, taps: readonly Tap[], delivery: Delivery): TapAnswer[] {
  return larder.sqlite
    .transaction(() =>
      taps.map((tap): TapAnswer => {
        try {
          tapRun(larder, runId, tap, delivery);
          return { id: tap.id, refused: null };
        } catch (error) {
          if (!(error instanceof Refused) || error.status === 404) throw error;
          return { id: tap.id, refused: Object.values(error.fields).join(" ") };
        }
      }),
    )
    .immediate();
}
