import { MINUTE_MS } from "#core/quantity";
import { SETTLE, VENT, WORK, type StageTimes } from "./duration.ts";

/** A load as the day sees it. */
export interface DayLoad {
  id: string;
  cannerId: string;
  /** minutes of packing by the one pair of hands */
  packMinutes: number;
  /** minutes at pressure */
  processMinutes: number;
  ventMinutes: number;
  /** from lighting the burner to the end of venting takes at least this long; null when no rule says so */
  minBurnerToVentEndMinutes: number | null;
  times: StageTimes;
  /** not lit before this many minutes after the day's start */
  notBeforeMinute?: number;
}

export const STAGES = [
  "pack",
  "load",
  "heatUp",
  "vent",
  "comeUp",
  "process",
  "coolDown",
  "settle",
  "unload",
] as const;
export type Stage = (typeof STAGES)[number];

/** One stretch of the day, in minutes after its start. */
export interface Block {
  loadId: string;
  cannerId: string;
  stage: Stage;
  from: number;
  to: number;
  /** takes the one pair of hands, wholly */
  hands: boolean;
  /** somebody must stay by the canner */
  stay: boolean;
}

export interface Day {
  blocks: Block[];
  /** minutes from the start until the last load is unloaded */
  minutes: number;
}

/** Stages that take the hands; packing may be laid down for any of the others. */
const HANDS: readonly Stage[] = ["pack", "load", "comeUp", "unload"];
/** From the match to the heat off a canner is never left. */
const STAY: readonly Stage[] = ["heatUp", "vent", "comeUp", "process"];

interface Going {
  load: DayLoad;
  /** minutes of packing still to do */
  packLeft: number;
  next: "pack" | "load" | "comeUp" | "unload" | "done";
  /** the hands may take `next` from here on */
  ready: number;
  /** when the stage before `next` began to wait, for stretching it */
  since: number;
}

/**
 * Returns the schedule of a day of canning by one person, in minutes from its start: the loads in the order given,
 * each with its stages.
 *
 * The person goes first to what is hot: the weight of a canner that has vented, then unloading, loading, and packing,
 * which is interrupted whenever a canner needs them. A canner that has to wait vents, cools or rests longer, which
 * does no harm; a process is never lengthened. A load is packed to be ready about when its canner is.
 * @param loads minutes, ≥ 0
 */
export function dayOf(loads: readonly DayLoad[]): Day {
  const going: Going[] = loads.map((load) => ({
    load,
    packLeft: load.packMinutes,
    next: "pack",
    ready: 0,
    since: 0,
  }));
  const blocks: Block[] = [];
  const freeAt = new Map<string, number>();
  let now = 0;
  const put = (g: Going, stage: Stage, from: number, to: number) => {
    const { id: loadId, cannerId } = g.load;
    const last = blocks.at(-1);
    // Packing taken up again at once is one stretch.
    if (stage === "pack" && last?.stage === "pack" && last.loadId === loadId && last.to === from)
      last.to = to;
    else
      blocks.push({
        loadId,
        cannerId,
        stage,
        from,
        to,
        hands: HANDS.includes(stage),
        stay: STAY.includes(stage),
      });
  };
  while (going.some((g) => g.next !== "done")) {
    const open = going.filter((g) => g.next !== "done");
    const choices = open
      .map((g, order) => ({ g, order, at: readyAt(g, open, freeAt) }))
      .filter((c) => c.at < Infinity)
      .sort(
        (a, b) => Math.max(a.at, now) - Math.max(b.at, now) || rank(a.g) - rank(b.g) || a.order - b.order,
      );
    const { g, at } = choices[0]!;
    const from = Math.max(at, now);
    if (g.next === "pack") {
      // Packed until it is done, or until something hot calls.
      const calls = choices.filter((c) => c.g.next !== "pack" && rank(c.g) < rank(g)).map((c) => c.at);
      const to = Math.min(from + g.packLeft, ...calls.filter((c) => c > from));
      if (to > from) put(g, "pack", from, to);
      g.packLeft -= to - from;
      if (g.packLeft <= 0) Object.assign(g, { next: "load", ready: to });
      now = to;
      continue;
    }
    now = step(g, from, freeAt, put);
  }
  return { blocks, minutes: Math.max(0, ...blocks.map((b) => b.to)) };
}

function rank(g: Going): number {
  return ["comeUp", "unload", "load", "pack"].indexOf(g.next);
}

/** Filled containers stand ready this long before their canner is, minutes, in case the hands are called away. Common practice, no source. */
const AHEAD = 15;

/** When the hands could take the next step of a load; never, while something has to happen first. */
function readyAt(g: Going, open: readonly Going[], freeAt: ReadonlyMap<string, number>): number {
  if (g.next === "comeUp" || g.next === "unload") return g.ready;
  const before = open.filter((o) => o !== g && o.load.cannerId === g.load.cannerId);
  const notBefore = g.load.notBeforeMinute ?? 0;
  if (g.next === "load") {
    if (before.some((o) => o.next === "comeUp" || o.next === "unload")) return Infinity;
    return Math.max(g.ready, freeAt.get(g.load.cannerId) ?? 0, notBefore);
  }
  // Filled jars are not left standing: packing ends about when the canner is free for them.
  const ahead = open.slice(0, open.indexOf(g)).filter((o) => o.load.cannerId === g.load.cannerId);
  if (ahead.some((o) => o.next !== "unload")) return Infinity;
  const free = Math.max(
    notBefore,
    ...before.filter((o) => o.next === "unload").map((o) => o.ready + unloadMinutes(o.load)),
  );
  return Math.max(g.ready, free - g.packLeft - AHEAD);
}

const unloadMinutes = (load: DayLoad) => Math.max(WORK.unload, load.times.unload.minutes);

/** Does the step a canner waits for, and writes down the stages that follow it by themselves. @returns when the hands are free */
function step(
  g: Going,
  from: number,
  freeAt: Map<string, number>,
  put: (g: Going, stage: Stage, from: number, to: number) => void,
): number {
  const { load } = g;
  switch (g.next) {
    case "load": {
      const lit = from + WORK.load;
      const vented = load.minBurnerToVentEndMinutes ?? 0;
      const steam = lit + Math.max(load.times.heatUp.minutes, vented - load.ventMinutes);
      put(g, "load", from, lit);
      put(g, "heatUp", lit, steam);
      Object.assign(g, { next: "comeUp", since: steam, ready: steam + Math.max(VENT, load.ventMinutes) });
      return lit;
    }
    case "comeUp": {
      const target = from + load.times.comeUp.minutes;
      const off = target + load.processMinutes;
      const zero = off + load.times.coolDown.minutes;
      put(g, "vent", g.since, from);
      put(g, "comeUp", from, target);
      put(g, "process", target, off);
      put(g, "coolDown", off, zero);
      Object.assign(g, { next: "unload", since: zero, ready: zero + SETTLE });
      return target;
    }
    default: {
      const done = from + unloadMinutes(load);
      put(g, "settle", g.since, from);
      put(g, "unload", from, done);
      freeAt.set(load.cannerId, done);
      g.next = "done";
      return done;
    }
  }
}

/** Loads beyond which not every order is tried. */
const TRY_ALL = 6;

/**
 * Returns the order of loads whose day is the shortest, and that day; of equal ones the first found. All orders are
 * tried up to six loads; above that, the longest process goes first.
 */
export function shortestDay(loads: readonly DayLoad[]): { order: string[]; day: Day } {
  const orders =
    loads.length <= TRY_ALL
      ? permutations(loads)
      : [[...loads].sort((a, b) => b.processMinutes - a.processMinutes), [...loads]];
  let best: { order: string[]; day: Day } | null = null;
  for (const order of orders) {
    const day = dayOf(order);
    if (!best || day.minutes < best.day.minutes) best = { order: order.map((l) => l.id), day };
  }
  return best!;
}

function permutations<T>(items: readonly T[]): T[][] {
  if (items.length <= 1) return [[...items]];
  return items.flatMap((item, i) => permutations(items.toSpliced(i, 1)).map((rest) => [item, ...rest]));
}

/**
 * Returns when the day must start to end at an instant, ms since 1970 UTC.
 *
 * @param endAt ms since 1970 UTC
 */
export function startFor(endAt: number, day: Day): number {
  return endAt - day.minutes * MINUTE_MS;
}

/**
 * Returns the periods in which someone must stay at the stove, in minutes from the day's start, merged where canners
 * overlap.
 */
export function stays(day: Day): { from: number; to: number }[] {
  const joined: { from: number; to: number }[] = [];
  for (const b of day.blocks.filter((x) => x.stay).sort((x, y) => x.from - y.from)) {
    const last = joined.at(-1);
    if (last && b.from <= last.to) last.to = Math.max(last.to, b.to);
    else joined.push({ from: b.from, to: b.to });
  }
  return joined;
}
