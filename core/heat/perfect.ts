import { MINUTE_MS, kPaFromPsi } from "../quantity/index.ts";
import {
  effectiveEvents,
  runAt,
  totalMinutes,
  type RunEvent,
  type RunEventType,
  type RunPlan,
} from "../run/index.ts";
import { cannerHistory, type Kitchen, type Knot } from "./history.ts";

/** Minutes to the boil and from the weight to pressure where a run has not got so far. Common practice, no source. */
const TO_BOIL_MIN = 12;
const COME_UP_MIN = 5;

interface Line {
  minute: number;
  type: RunEventType;
  gaugeKPa?: number;
}

/** What might have gone otherwise, each by itself, in a run that is otherwise perfect. */
export type Slip = "drop" | "no-vent" | "sea-level" | "timer-at-vent";

/** Depth and length of the drop that is told of: 2 lb for 10 minutes, unseen. */
export const DROP_KPA = kPaFromPsi(2);
export const DROP_MINUTES = 10;

/** How long a run took for what its schedule leaves open, minutes; where it has not got so far, what is usual. */
export interface Course {
  /** when it was lit, ms since 1970 UTC */
  litAt: number;
  /** from lighting to steady steam, from the weight to target, from heat off to zero */
  steam: number;
  comeUp: number;
  cool: number;
}

/**
 * Returns how long a run took for the stages its schedule leaves open, minutes, ≥ 0; what is usual for those it has
 * not reached (common practice, no source).
 *
 * @param openedAt ms since 1970 UTC
 * @param now ms since 1970 UTC; later events do not count
 */
export function courseOf(
  plan: RunPlan,
  events: readonly RunEvent[],
  kitchen: Kitchen,
  openedAt: number,
  now: number,
): Course {
  const real = effectiveEvents(events.filter((e) => e.at <= now));
  const view = runAt(plan, events, openedAt, now);
  const first = (type: RunEventType) => real.find((e) => e.type === type)?.at ?? null;
  const litAt = first("heat-on") ?? first("steam-steady") ?? openedAt;
  const steamAt = first("steam-steady") ?? litAt + TO_BOIL_MIN * MINUTE_MS;
  const weight = first("weight-on");
  const reached = view.attempts[0]?.startedAt ?? null;
  return {
    litAt,
    steam: (steamAt - litAt) / MINUTE_MS,
    comeUp:
      weight !== null && reached !== null && reached > weight ? (reached - weight) / MINUTE_MS : COME_UP_MIN,
    cool:
      view.zeroAt !== null && view.heatOffAt !== null
        ? Math.max(0, view.zeroAt - view.heatOffAt) / MINUTE_MS
        : kitchen.coolMinutes,
  };
}

/**
 * Returns the temperature history, °C at instants, of the same load's schedule carried out perfectly: vented in full,
 * exactly at the target for exactly its minutes, and warming, coming up and cooling for as long as the run did.
 *
 * @param slip one thing that went wrong in it; none when left out
 * @param seaLevelKPa true pressure the table asks at sea level, kPa, for the slip of that name
 */
export function perfectHistory(
  plan: RunPlan,
  kitchen: Kitchen,
  { litAt, steam, comeUp, cool }: Course,
  slip?: Slip,
  seaLevelKPa?: number,
): Knot[] {
  const vented = Math.max(steam + plan.ventMinutes, plan.minBurnerToVentEndMinutes ?? 0);
  const weightOn = slip === "no-vent" ? steam : vented;
  const target = weightOn + comeUp;
  const off = Math.max(target, (slip === "timer-at-vent" ? steam : target) + totalMinutes(plan));
  const face = slip === "sea-level" ? (seaLevelKPa ?? 0) + kitchen.faceErrorKPa : plan.floorKPa;
  const lines: Line[] = [
    { minute: 0, type: "heat-on" },
    { minute: steam, type: "steam-steady" },
    { minute: weightOn, type: "weight-on" },
    { minute: target, type: "reading", gaugeKPa: face },
  ];
  if (slip === "drop") {
    const middle = target + totalMinutes(plan) / 2;
    const low = { type: "reading" as const, gaugeKPa: face - DROP_KPA };
    lines.push(
      { minute: middle, type: "reading", gaugeKPa: face },
      { minute: middle + 0.5, ...low },
      { minute: middle + DROP_MINUTES, ...low },
      { minute: middle + DROP_MINUTES + 0.5, type: "reading", gaugeKPa: face },
    );
  }
  lines.push(
    { minute: off, type: "reading", gaugeKPa: face },
    { minute: off, type: "heat-off" },
    { minute: off + cool, type: "pressure-zero" },
    { minute: off + cool + 1, type: "lock-down" },
    { minute: off + cool + 2, type: "weight-off" },
    { minute: off + cool + 2 + plan.settleMinutes, type: "lid-off" },
  );
  const told: RunEvent[] = lines.map(({ minute, ...e }, i) => ({
    id: `${i}`,
    seq: i,
    at: litAt + minute * MINUTE_MS,
    ...e,
  }));
  return cannerHistory(plan, told, kitchen, litAt, Infinity);
}
