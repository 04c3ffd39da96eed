import type { RunEventType } from "../run/index.ts";

/** How far a person of the household, or a device of it, may go: everything; look and tap; only look. */
export const REACHES = ["all", "tap", "look"] as const;
export type Reach = (typeof REACHES)[number];

/** Whose reach holds for a write: the person's who was chosen at a screen, and the screen's own. */
export interface ReachOf {
  person: Reach;
  device: Reach;
}

/** Returns how far a person goes at a device: the lesser of the two. */
export const lesserReach = ({ person, device }: ReachOf): Reach =>
  REACHES[Math.max(REACHES.indexOf(person), REACHES.indexOf(device))]!;

/**
 * What is written by a tap: what somebody sees or does at the bench, the stove, the towel and the shelf. By their names
 * in the activity log; whatever is not named here (settings, overrides, releases, what decides about food) is for
 * those who may do everything.
 */
const TAPS: ReadonlySet<string> = new Set([
  "bench.fill",
  "bench.take-out",
  "can.exhaust",
  "can.seam",
  "container.ate",
  "container.take",
  "drill.done",
  "run.take-out",
  "school.answer",
  "seal.check",
  "shelf.count",
]);

/** Taps at the stove that decide more than what was seen: they correct, give up, take over, or vouch for a clock. */
const DECIDING: ReadonlySet<RunEventType> = new Set([
  "correction",
  "abort",
  "handover",
  "confirmed",
  "clock-known",
]);

/** What is to be written: by its name in the activity log, or as a tap at the stove. */
export type Attempt = { action: string } | { tap: RunEventType };

const isTap = (attempt: Attempt): boolean =>
  "tap" in attempt ? !DECIDING.has(attempt.tap) : TAPS.has(attempt.action);

const allows = (reach: Reach, attempt: Attempt): boolean =>
  reach === "all" || (reach === "tap" && isTap(attempt));

/** Returns why something may not be written by who asks, in a sentence; null when it may. */
export function whyBeyondReach({ person, device }: ReachOf, attempt: Attempt): string | null {
  if (!allows(device, attempt))
    return device === "look"
      ? "This device may only look. Use another device for this."
      : "This device may look and tap. Use another device for this.";
  if (!allows(person, attempt))
    return person === "look"
      ? "You may look, and change nothing. Ask somebody who may do everything."
      : "You may look and tap. Ask somebody who may do everything.";
  return null;
}
