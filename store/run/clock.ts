import { v7 as uuid } from "uuid";
import { type Larder } from "#store/db";
import { appendEvents, type NewEvent } from "./append.ts";
import { activeRuns } from "./run.ts";

/**
 * Writes down with every run under way what became of the larder's clock.
 * @param stepMs by how much the machine's clock was set, ms; for `clock-step` only
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

/** Whether a run under way was told that the time is unknown, and not that it is known again. */
export const isClockUnknown = (larder: Larder): boolean =>
  activeRuns(larder).some((run) => run.view.clockUnknownSince !== null);
