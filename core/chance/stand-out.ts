import { fisherExact } from "./fisher.ts";
import { binomialInterval } from "./interval.ts";

/** One group of containers that have something in common: how many failed of how many. */
export interface Level {
  name: string;
  failed: number;
  all: number;
}

export interface Outstanding extends Level {
  /** the others: failed of how many */
  others: { failed: number; all: number };
  /** two-sided Fisher, for this group against all others; 1 where there are no others */
  p: number;
  /** share that fails, 9 times of 10 between these */
  interval: { low: number; high: number };
  /** `clear` even after so many groups were looked at; `hint` only by itself; `nothing` as often as chance has it */
  says: "clear" | "hint" | "nothing";
}

/** Below this a difference is called one. Common practice in statistics. */
const UNLIKELY = 0.05;

/**
 * Returns the groups that have members, the least likely by chance first, each with its exact test against all others.
 * A group that fails more is `clear` when that stays unlikely (below 0.05) after multiplying by the number of groups
 * looked at, and a `hint` when it is unlikely by itself.
 *
 * Sources: Fisher 1935 (test); Bonferroni's correction; Clopper & Pearson 1934 (interval).
 * @param levels counts, whole, `failed` from 0 to `all`
 * @param looked groups looked at in all, over every kind of cause, ≥ 1
 * @throws RangeError when a count is outside its range
 */
export function compareGroups(levels: readonly Level[], looked = levels.length): Outstanding[] {
  const failed = levels.reduce((n, l) => n + l.failed, 0);
  const all = levels.reduce((n, l) => n + l.all, 0);
  return levels
    .filter((l) => l.all > 0)
    .map((l): Outstanding => {
      const others = { failed: failed - l.failed, all: all - l.all };
      const p =
        others.all === 0
          ? 1
          : fisherExact({
              failed: l.failed,
              sound: l.all - l.failed,
              otherFailed: others.failed,
              otherSound: others.all - others.failed,
            }).two;
      const worse = others.all > 0 && l.failed / l.all > others.failed / others.all;
      return {
        ...l,
        others,
        p,
        interval: binomialInterval(l.failed, l.all),
        says: worse && p * looked < UNLIKELY ? "clear" : worse && p < UNLIKELY ? "hint" : "nothing",
      };
    })
    .sort((a, b) => a.p - b.p || b.failed / b.all - a.failed / a.all);
}
