import type { ThawMethod } from "../cold/index.ts";
import type { Brine } from "./brine.ts";
import type { LotState, Treatment } from "./standing.ts";

/** What became of weight that left for good. */
export const LEAVINGS = ["eat", "give", "discard"] as const;
export type Leaving = (typeof LEAVINGS)[number];

/** One thing that happened to a lot. Appended; a correction is another event. All weights kg, instants ms since 1970 UTC. */
export type LotEvent = { at: number } & (
  | { kind: "freeze"; place: string | null }
  | { kind: "thaw-plan"; method: ThawMethod; thickM: number; startAt: number; readyAt: number }
  | { kind: "thaw-start"; method: ThawMethod; thickM: number; readyAt: number }
  /** `dayEndsAt`: the end of that day where the household lives, by which meat thawed in cold water is canned, ms */
  | { kind: "thaw-done"; dayEndsAt?: number }
  /** somebody says where it really was: in the refrigerator only since `since`, or what is wrong with the temperature log */
  | { kind: "account"; of: "refrigerator" | "warm"; since: number | null; reason: string }
  | { kind: "move"; place: string | null }
  /** `brine`: how strong and how long, when somebody said */
  | { kind: Treatment; beforeKg: number; afterKg: number; brine?: Brine }
  | { kind: "weigh"; beforeKg: number; afterKg: number }
  | { kind: Leaving; massKg: number; to: string | null }
  | { kind: "undo"; undoes: string; giveBackKg: number; state: LotState }
);

export type LotEventKind = LotEvent["kind"];

/** Returns the weight an event adds to a lot, kg; below 0 when it takes away, 0 when it changes no weight. */
export function changeKg(event: LotEvent): number {
  switch (event.kind) {
    case "trim":
    case "cook":
    case "brine":
    case "smoke":
    case "weigh":
      return event.afterKg - event.beforeKg;
    case "eat":
    case "give":
    case "discard":
      return -event.massKg;
    case "undo":
      return event.giveBackKg;
    default:
      return 0;
  }
}
