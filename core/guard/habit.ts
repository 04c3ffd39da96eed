import { whyNotExtra } from "./load.ts";
import { TIMES_AROUND, type ProductKey } from "../schedule/index.ts";

/** What a household may set for itself, beside its altitude. */
export interface Habits {
  /** longest time at pressure between two looks that counts as watched, s */
  unwatchedLimitS?: number | undefined;
  /** hours on the towel before seals are checked */
  restHours?: number | undefined;
  /** whole minutes it adds to every scheduled process */
  extraMinutes?: number | undefined;
}

/** Source: USDA 2015, Guide 1 (cool 12 to 24 hours, then test the seals), from memory. */
const LEAST_REST_HOURS = TIMES_AROUND.rest.low;

/**
 * Returns which of a household's settings is out of its range and why; null when both are allowed. Unwatched time is
 * 60 to 3,600 s (common practice, no source); the rest is 12 to 48 hours; extra
 * minutes are 0 to 60.
 *
 * Source: USDA 2015, Guide 1 (cool 12 to 24 hours, then test the seals), from memory.
 */
export function whyNotHabit({
  unwatchedLimitS,
  restHours,
  extraMinutes,
}: Habits): { of: keyof Habits; message: string } | null {
  if (unwatchedLimitS !== undefined) {
    if (!(unwatchedLimitS >= 60)) return { of: "unwatchedLimitS", message: "At least a minute." };
    if (!(unwatchedLimitS <= 3600)) return { of: "unwatchedLimitS", message: "At most an hour." };
  }
  if (restHours !== undefined) {
    if (!(restHours >= LEAST_REST_HOURS))
      return { of: "restHours", message: `At least ${LEAST_REST_HOURS} hours before seals are checked.` };
    if (!(restHours <= 48)) return { of: "restHours", message: "At most 48." };
  }
  const tooMany = extraMinutes === undefined ? null : whyNotExtra(extraMinutes);
  return tooMany ? { of: "extraMinutes", message: tooMany } : null;
}

/**
 * Returns how long many people run a load whose scheduled process is so long, minutes; null where no such habit is known.
 * It changes nothing of the scheduled process: what is more is extra minutes. Common practice, no source.
 *
 * @param product of the pack whose time governs
 * @param minutes of the scheduled process
 */
export function commonMinutes(product: ProductKey, minutes: number): number | null {
  if (product === "soup" && minutes === 60) return 75;
  return minutes === 90 ? 95 : null;
}
