import { v7 as uuid } from "uuid";
import type { Larder } from "#store/db";
import { appendEvents, type NewEvent } from "./append.ts";
import { activeRuns } from "./run.ts";

/**
 * Records a change of the larder's clock with every run under way.
 *
 * @param stepMs by how much the machine's clock was set, ms, below 0 when back; for `clock-step` only
 */
export function noteClock(
  larder: Larder,
  type: "clock-step" | "clock-unknown" | "clock-known",
  stepMs?: number,
): void {
  for (const run of activeRuns(larder)) {
    const event: NewEvent = { id: uuid(), at: larder.now(), type };
    if (stepMs !== undefined) event.stepMs = Math.round(stepMs);
    appendEvents(larder, run.id, [event]);
  }
}

/** Returns whether a run under way has a recorded loss of the time and no recovery since. */
export const isClockUnknown = (larder: Larder): boolean =>
  activeRuns(larder).some((run) => run.view.clockUnknownSince !== null);
