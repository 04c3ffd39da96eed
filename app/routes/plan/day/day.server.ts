import { DateTime } from "luxon";
import { HOUR_MS, MINUTE_MS } from "#core/quantity";
import { startFor, stays, type Day, type Stage, type StageTimes } from "#core/day";
import type { ContainerKey } from "#core/schedule";
import { whenWords, type Times, timesOf } from "../../../words/time";
import { kindWords } from "../../../words/plan";
import type { Home } from "../../../server/context";
import { layingOut } from "../../../features/planning/laying-out.server";
import { dayOfPlan, type Planning } from "../../../features/planning/planning.server";
import { totalMinutes } from "#core/run";
import { minutesWords } from "../../../words/run";

/** One stretch of the day at its hour. */
export interface DayBlock {
  load: number;
  canner: string;
  stage: Stage;
  /** ms since 1970 UTC */
  from: number;
  to: number;
  hands: boolean;
  stay: boolean;
}

export interface PlannedDay {
  startAt: number;
  endAt: number;
  blocks: DayBlock[];
  /** when somebody must stay at the stove without a break */
  stays: { from: number; to: number }[];
  /** frozen lots: when to take them out */
  takeOut: { lotId: string; code: string; at: number; readyAt: number; late: boolean }[];
  /** why this hour cannot be; null when it can */
  problem: string | null;
  /** what the waits are planned with, canner by canner */
  times: { canner: string; stages: StageTimes }[];
  loads: {
    index: number;
    canner: string;
    what: string;
    /** at pressure in all, and in words with what the household adds by choice */
    minutes: number;
    minutesWords: string;
    psi: number;
    governs: "dial" | "weighted";
  }[];
}

/** The instant a plan's day was asked for, ms since 1970 UTC. @param text an instant, or local day and time as they used to be kept */
export const askedAt = (text: string, zone: string): number => DateTime.fromISO(text, { zone }).toMillis();

/** The plan's loads at their hours: from a start, or back from an end. @param now ms since 1970 UTC */
export function plannedDay(home: Home, plan: Planning, now: number): PlannedDay | null {
  const told = dayOfPlan(home, plan);
  if (!told) return null;
  const { zone, extraMinutes } = home.household;
  const minutesOf = ({ minutes }: { minutes: number }) => ({ minutes, extraMinutes });
  const { day } = told;
  const at = plan.wish.when ? askedAt(plan.wish.when.at, zone) : nextHour(now);
  const startAt = plan.wish.when?.from === "end" ? startFor(at, day) : at;
  const endAt = startAt + day.minutes * MINUTE_MS;
  const loads = plan.proposal!.loads;
  const nameOf = (id: string) => plan.canners.find((c) => c.id === id)!.name;
  const hours = layingOut(home, plan).thaw;
  return {
    startAt,
    endAt,
    blocks: day.blocks.map((b) => ({
      load: Number(b.loadId),
      canner: nameOf(b.cannerId),
      stage: b.stage,
      from: startAt + b.from * MINUTE_MS,
      to: startAt + b.to * MINUTE_MS,
      hands: b.hands,
      stay: b.stay,
    })),
    stays: stays(day).map((s) => ({ from: startAt + s.from * MINUTE_MS, to: startAt + s.to * MINUTE_MS })),
    takeOut: hours.map((t) => {
      const first = firstPacking(day, plan, t.lotId);
      const needed = startAt + first * MINUTE_MS;
      const readyAt = t.readyAt ?? needed;
      const at = t.readyAt === null ? needed - t.hours * HOUR_MS : needed;
      const { code } = plan.lots.find((l) => l.id === t.lotId)!;
      return { lotId: t.lotId, code, at, readyAt, late: t.readyAt === null ? at < now : t.readyAt > needed };
    }),
    times: [...told.times].map(([id, stages]) => ({ canner: nameOf(id), stages })),
    problem: impossible(plan, day, startAt, now, timesOf(home.household)),
    loads: loads.map((l, index) => ({
      index,
      canner: nameOf(l.cannerId),
      what: wordsOf(l.parts),
      minutes: totalMinutes(minutesOf(l.governing)),
      minutesWords: minutesWords(minutesOf(l.governing)),
      psi: l.governing.target.facePsi,
      governs: l.governing.target.governs,
    })),
  };
}

function wordsOf(parts: readonly { kind: string; count: number }[]): string {
  const counts = new Map<string, number>();
  for (const p of parts) counts.set(p.kind, (counts.get(p.kind) ?? 0) + p.count);
  return [...counts].map(([k, n]) => kindWords(k as ContainerKey, n)).join(" and ");
}

function nextHour(now: number): number {
  return Math.ceil(now / HOUR_MS) * HOUR_MS;
}

function firstPacking(day: Day, plan: Planning, lotId: string): number {
  const loads = plan.proposal!.loads.map((l, i) => ({ i, has: l.parts.some((p) => p.lotId === lotId) }));
  const mine = new Set(loads.filter((l) => l.has).map((l) => String(l.i)));
  return Math.min(
    ...day.blocks.filter((b) => b.stage === "pack" && mine.has(b.loadId)).map((b) => b.from),
    day.minutes,
  );
}

/** A day that would have had to begin already: when it could end, and what would help. */
function impossible(plan: Planning, day: Day, startAt: number, now: number, times: Times): string | null {
  if (startAt >= now - 10 * MINUTE_MS) return null;
  const began = whenWords(startAt, now, times);
  const earliest = whenWords(now + day.minutes * MINUTE_MS, now, times);
  return plan.wish.when?.from === "end"
    ? `To end then it would have to begin ${began}, which is past. Beginning now it ends ${earliest}. Choose a later hour, or plan fewer loads.`
    : `That start (${began}) is past. Beginning now it ends ${earliest}.`;
}
