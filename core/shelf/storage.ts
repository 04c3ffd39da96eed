import { DAY_MS } from "#core/quantity";

/** Where canned food keeps best, °C (50 to 70 °F). Source: USDA 2015, Guide 1 (storing canned food), from memory. */
export const ADVICE_C = { low: 10, high: 21.2 } as const;
/** Food in a jar begins to freeze about here, °C; ice pushes lids up. From memory, no source. */
export const FREEZES_C = -1;
/** Above this canned food may spoil in the closed container, °C (95 °F). Source: USDA 2015, Guide 1, from memory. */
export const HEAT_C = 35;

/** How warm a room was. */
export interface StorageEntry {
  /** ms since 1970 UTC */
  at: number;
  tempC: number;
}

export type StorageState = "frozen" | "cold" | "good" | "warm" | "hot";

/**
 * Returns what a temperature means for containers stored at it: frozen, cold, good, warm
 * or hot.
 *
 * Source: USDA 2015, Guide 1 (storing canned foods), from memory.
 * @param tempC °C
 */
export function storageState(tempC: number): StorageState {
  if (tempC <= FREEZES_C) return "frozen";
  if (tempC < ADVICE_C.low) return "cold";
  if (tempC <= ADVICE_C.high) return "good";
  return tempC < HEAT_C ? "warm" : "hot";
}

/** A reading speaks for no longer than this after it, ms: what a room did in between seldom readings nobody knows. Common practice, no source. */
const SPEAKS_FOR_MS = 2 * DAY_MS;

/** A stretch in which a room froze or was hot: from the first reading that says so to the next that does not. */
export interface StorageEvent {
  kind: "frozen" | "hot";
  from: number;
  /** null while it goes on */
  to: number | null;
  /** known to have been so until then: what was put there later is not in doubt */
  until: number;
  /** the worst reading, °C */
  worstC: number;
}

/**
 * Returns freezing and heat in one room, oldest first; empty when there was none.
 *
 * Source: USDA 2015, Guide 1 (storing canned foods), from memory.
 * @param entries temperatures of that room, °C, in any order
 */
export function storageEvents(entries: readonly StorageEntry[]): StorageEvent[] {
  const events: StorageEvent[] = [];
  let open: StorageEvent | null = null;
  for (const { at, tempC } of [...entries].sort((a, b) => a.at - b.at)) {
    const state = storageState(tempC);
    if (open && state !== open.kind) {
      open.to = at;
      open.until = Math.min(open.until, at);
      open = null;
    }
    if (state !== "frozen" && state !== "hot") continue;
    const until = at + SPEAKS_FOR_MS;
    if (!open) events.push((open = { kind: state, from: at, to: null, until, worstC: tempC }));
    else {
      open.until = until;
      open.worstC = state === "frozen" ? Math.min(open.worstC, tempC) : Math.max(open.worstC, tempC);
    }
  }
  return events;
}
