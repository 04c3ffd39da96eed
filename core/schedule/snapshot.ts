import type { GoverningSchedule } from "./governing.ts";
import { TABLE_EDITION } from "./source.ts";

/** What was decided, frozen at the moment of deciding, so that a later edition of the tables changes no record. */
export interface ScheduleSnapshot {
  readonly edition: string;
  /** ms since 1970 UTC */
  readonly decidedAt: number;
  readonly altitudeM: number;
  readonly governing: GoverningSchedule;
  /** keys of conditions a person confirmed for the load; left out when none was */
  readonly confirmed?: readonly string[];
}

/**
 * Returns a frozen copy of a governing scheduled process with the tables' edition, the altitude and the instant. Later
 * changes to the argument do not reach it, and writing to it throws TypeError.
 *
 * @param altitudeM meters above sea level
 * @param decidedAt ms since 1970 UTC
 * @param confirmed keys of conditions a person has confirmed
 */
export function takeSnapshot(
  governing: GoverningSchedule,
  altitudeM: number,
  decidedAt: number,
  confirmed: readonly string[] = [],
): ScheduleSnapshot {
  const copy = JSON.parse(JSON.stringify(governing)) as GoverningSchedule;
  return deepFreeze({
    edition: TABLE_EDITION,
    decidedAt,
    altitudeM,
    governing: copy,
    ...(confirmed.length > 0 ? { confirmed: [...confirmed] } : {}),
  });
}

/** Freezes a value and all that is in it. What is no object counts as frozen already. */
function deepFreeze<T>(value: T): T {
  if (!Object.isFrozen(value)) {
    Object.freeze(value);
    for (const inner of Object.values(value as object)) deepFreeze(inner);
  }
  return value;
}
