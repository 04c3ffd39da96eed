import { Refused, type Larder } from "#store/db";
import { whyNot, whyNotUndone, type RunEvent } from "#core/run";
import { append, checkClock, runRow, type Appended, type NewEvent } from "./append.ts";
import { bringToHand, eventsOf, viewOfRun } from "./event-rows.ts";

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
        const view = viewOfRun(larder, row, events, Math.min(at, now));
        const no =
          whyNot(view, tap.type, row.plan, tap.weightKPa) ?? whyNotTakenBack(larder, runId, tap, events);
        if (no) throw new Refused({ "": no }, 409);
      }
      return append(larder, row, events, [{ ...tap, at }], now);
    })
    .immediate();
}

/** Asks whether what a correction takes back may be taken back, with what became of the run's containers since. */
function whyNotTakenBack(
  larder: Larder,
  runId: string,
  tap: Tap,
  events: readonly RunEvent[],
): string | null {
  const meant = tap.type === "correction" ? events.find((e) => e.id === tap.corrects) : undefined;
  if (!meant) return null;
  const decided = larder.sqlite
    .prepare(
      `select (select count(*) from container c join pack k on k.id = c.pack_id where k.run_id = @runId and c.disposition is not null)
         + (select count(*) from audit where action = 'run.take-out' and entity_id = @runId)`,
    )
    .pluck()
    .get({ runId }) as number;
  return whyNotUndone(meant.type, decided);
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
