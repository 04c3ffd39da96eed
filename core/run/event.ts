import type { KindKey } from "../capacity/index.ts";
import type { KnownBy } from "./instant.ts";

/** What can happen to a run. Instants are ms since 1970 UTC. */
export type RunEventType =
  | "heat-on"
  | "steam-steady"
  | "steam-faltered"
  | "weight-on"
  | "reading"
  | "at-target"
  | "below-target"
  | "too-high"
  | "weight-rocking"
  | "weight-quiet"
  | "jiggles"
  | "gauge-aside"
  | "heat-off"
  | "pressure-zero"
  | "lock-down"
  | "weight-off"
  | "lid-off"
  | "container-out"
  | "unloaded"
  | "checked"
  | "abort"
  | "note"
  | "handover"
  | "confirmed"
  | "silence"
  | "clock-step"
  | "clock-unknown"
  | "clock-known"
  | "correction";

export const RUN_EVENT_TYPES: readonly RunEventType[] = [
  "heat-on",
  "steam-steady",
  "steam-faltered",
  "weight-on",
  "reading",
  "at-target",
  "below-target",
  "too-high",
  "weight-rocking",
  "weight-quiet",
  "jiggles",
  "gauge-aside",
  "heat-off",
  "pressure-zero",
  "lock-down",
  "weight-off",
  "lid-off",
  "container-out",
  "unloaded",
  "checked",
  "abort",
  "note",
  "handover",
  "confirmed",
  "silence",
  "clock-step",
  "clock-unknown",
  "clock-known",
  "correction",
];

/** What calls for somebody at the stove. */
export const ALARMS = [
  "over-pressure",
  "below-target",
  "unwatched",
  "vent-done",
  "process-done",
  "pressure-down",
  "lid-time",
  "check-time",
] as const;
export type Alarm = (typeof ALARMS)[number];

/** What is asked once before it matters: which jars stand inside, and where the canner stands. */
export const ASKED = ["size", "place"] as const;
export type Asked = (typeof ASKED)[number];

/** Liquid lost from a jar as it was lifted out: none to see, some, or more than half. */
export const SIPHONED = ["none", "some", "half"] as const;
export type Siphoned = (typeof SIPHONED)[number];

export interface RunEvent {
  /** idempotency key, made where the event was born; the same id twice is one event */
  id: string;
  /** when it happened, ms since 1970 UTC */
  at: number;
  /** order among events of the same instant */
  seq: number;
  type: RunEventType;
  /** readings only: gauge pressure as read on the face, kPa */
  gaugeKPa?: number;
  /** readings only: temperature inside, °C; recorded, never decides */
  tempC?: number;
  /** corrections only: the event that did not happen as written */
  corrects?: string;
  /** name of whoever did or saw it */
  by?: string;
  /** reason, note, or who takes over */
  text?: string;
  /** readings: the gauge that sent it; none for what a person reads off the canner. `gauge-aside`: the one meant */
  source?: string;
  /** jiggles only: how often the weight rocked in a minute */
  perMinute?: number;
  /** `weight-on` only: what the weight that went on is made for, kPa */
  weightKPa?: number;
  /** when it was heard of, where that was later than it happened, ms since 1970 UTC */
  heardAt?: number;
  /** how `at` is known when it was not heard as it happened */
  knownBy?: KnownBy;
  /** when the device said it happened, where its clock is doubted */
  claimedAt?: number;
  /** `clock-step` only: by how much the machine's clock was set, ms; less than nothing: back */
  stepMs?: number;
  /** `silence` only: the alarm that somebody answered */
  alarm?: Alarm;
  /** `confirmed` only: what was looked at */
  asked?: Asked;
  /** `container-out` only: its code, and what it lost */
  container?: string;
  siphoned?: Siphoned;
}

/** Standing of the canner's own dial when a run is opened. `signed`: overdue or untested, and a person signed for using it. */
export type DialInRun = "none" | "tested" | "signed" | "overdue" | "untested" | "replace";

/** What a run is held to, fixed when it begins. Pressures are on the face of this canner's gauge, kPa. */
/**
 * Containers that only fill up a canner: of plain water, or of dry beans, soaked and boiled. They stand in it, take
 * lids, and are not stock.
 */
export interface Filler {
  /** which container, with its mouth */
  kind: KindKey;
  /** whole, ≥ 1 */
  count: number;
  of: "water" | "beans";
  /** closed with lids that were used before: only water may be */
  usedLids?: boolean;
}

export interface RunPlan {
  /** minutes of the scheduled process, at pressure without a break */
  minutes: number;
  /** minutes the household adds by its own choice, whole, 0 to 60; none when left out. They never make up for pressure */
  extraMinutes?: number;
  /** what the face of this canner's dial has to show at least: the true pressure and what it is known to read high */
  floorKPa: number;
  /** least true gauge pressure of the scheduled process; left out in runs opened before it was kept: `floorKPa` */
  minProcessKPa?: number;
  /** the canner's own dial when the run was opened, and how much it reads above true pressure, kPa; null when never tested */
  dial?: { standing: DialInRun; errorKPa: number | null };
  /** held this much above the floor for safety's sake, 0 to 2 lb, kPa; never decides */
  marginKPa?: number;
  /** what the weight on the vent must be made for at least, kPa; none without a weight */
  weightKPa?: number;
  /** the canner's own limit */
  safeMaxKPa: number;
  /** false: the canner's own dial is to be replaced, overdue or untested, and never starts or keeps the clock; true when left out */
  dialReliable?: boolean;
  /** which regulator decides: a quiet weight is below target only when the weight governs */
  governs: "dial" | "weighted";
  ventMinutes: number;
  /** own rule of quart fish: lighting the burner to the end of venting takes at least this */
  minBurnerToVentEndMinutes: number | null;
  /** a longer time without a look is unwatched, seconds */
  unwatchedLimitS: number;
  /** minutes with the weight off before the lid */
  settleMinutes: number;
  /** hours untouched before seals are checked */
  restHours: number;
  /** what fills up the canner beside its packs; left out when nothing does */
  fillers?: readonly Filler[];
}

/** What ends or breaks something: doubted, it counts from the earlier instant, so that nothing runs on because of it. */
const ENDS: readonly RunEventType[] = ["steam-faltered", "heat-off", "weight-off", "lid-off", "abort"];

/**
 * Returns an event as it counts: one that ends something, and whose instant is doubted, counts from the earlier
 * instant that was claimed, so that no time runs on because of the doubt.
 */
export function asCounted(event: RunEvent): RunEvent {
  const { claimedAt } = event;
  if (claimedAt === undefined || claimedAt >= event.at || !ENDS.includes(event.type)) return event;
  return { ...event, at: claimedAt };
}

/**
 * Returns a number below 0, 0 or above 0, for sorting events in the order they count: by instant, then sequence, then
 * id.
 */
export function compareEvents(a: RunEvent, b: RunEvent): number {
  return a.at - b.at || a.seq - b.seq || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/**
 * Returns events in the order they count, one of each id, without those that a later correction strikes out. A
 * correction that is itself corrected strikes out nothing.
 */
export function effectiveEvents(events: readonly RunEvent[]): RunEvent[] {
  const sorted = events.map(asCounted).sort(compareEvents);
  const once = new Map<string, RunEvent>();
  for (const event of sorted) if (!once.has(event.id)) once.set(event.id, event);
  const struck = new Set<string>();
  // A correction is made after what it corrects is known, so the newest are read first.
  for (const event of [...once.values()].reverse()) {
    if (event.type === "correction" && event.corrects && !struck.has(event.id)) struck.add(event.corrects);
  }
  return [...once.values()].filter((e) => !struck.has(e.id) && e.type !== "correction");
}
