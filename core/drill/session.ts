import {
  newPot,
  newCook,
  gaugeAfter,
  advancePot,
  plausibleCanner,
  steamsSteadily,
  turnFlame,
  type CannerSpec,
  type Hands,
  type PotState,
} from "../canner/index.ts";
import { MINUTE_MS, kPaFromPsi } from "../quantity/index.ts";
import { randomFrom } from "../random/index.ts";
import {
  RUN_EVENT_TYPES,
  samplePlan,
  runAt,
  type RunEvent,
  type RunEventType,
  type RunPlan,
  type RunView,
} from "../run/index.ts";
import { DRILL_ALTITUDE_M, DRILL_TARGET_PSI, type Drill, type DrillCanner } from "./drill.ts";

/** What somebody may do in a drill. */
export const DEEDS = [
  "flame",
  "shield",
  "look",
  "steam-steady",
  "weight-on",
  "weight-off",
  "at-target",
  "below-target",
  "heat-off",
  "choose",
] as const;
export type DeedKey = (typeof DEEDS)[number];

/** A deed and when, s from the beginning. */
export interface Deed {
  s: number;
  /** which canner, from 0 */
  canner: number;
  what: DeedKey;
  /** flame 0 to 1, or the face pressure chosen, psi */
  value?: number;
}

/** One canner in a drill at an instant. */
export interface DrillPot {
  spec: CannerSpec;
  plan: RunPlan;
  pot: PotState;
  gaugeKPa: number;
  flame: number;
  top: Hands["top"];
  shielded: boolean;
  events: RunEvent[];
  /** true pressure and what the face showed, every second, kPa */
  trueKPa: number[];
  shownKPa: number[];
}

/** A drill under way. It is a pure function of the drill, the seed and the deeds. */
export interface DrillState {
  s: number;
  pots: DrillPot[];
  deeds: Deed[];
  over: boolean;
}

/** A windbreak leaves this much of a gust. Assumed. */
const SHIELDED = 0.25;

const planOf = (c: DrillCanner): RunPlan =>
  samplePlan({
    minutes: c.minutes,
    floorKPa: kPaFromPsi(DRILL_TARGET_PSI) + c.gauge.errorKPa,
    minProcessKPa: kPaFromPsi(DRILL_TARGET_PSI),
    dial: { standing: "tested", errorKPa: c.gauge.errorKPa },
  });

const still = (flame: number, top: Hands["top"]): Hands => ({ flame, top, gust: 0 });
const started = new Map<string, DrillPot>();

/** A canner brought to where its drill begins. Takes a while the first time, and is remembered. */
function start(c: DrillCanner): DrillPot {
  const key = JSON.stringify(c);
  const found = started.get(key) ?? bring(c);
  started.set(key, found);
  return copyOf(found);
}

const copyOf = (p: DrillPot): DrillPot => ({
  ...p,
  events: [...p.events],
  trueKPa: [...p.trueKPa],
  shownKPa: [...p.shownKPa],
});

function bring(c: DrillCanner): DrillPot {
  const spec = plausibleCanner(c.quarts, c.pints, DRILL_ALTITUDE_M);
  const plan = planOf(c);
  let pot = newPot(spec);
  // Shut a minute after the first wisps: much of the air is still inside.
  const early = c.starts.at === "shut-early";
  while (early ? pot.tempC < 84 : !steamsSteadily(pot)) pot = advancePot(spec, pot, still(1, "vent-open"), 5);
  let flame = 1;
  const history: [minutesAgo: number, type: RunEventType, kPa?: number][] = [];
  if (c.starts.at === "venting") {
    pot = advancePot(spec, pot, still(0.9, "vent-open"), c.starts.minutes * 60);
    history.push([c.starts.minutes + 12, "heat-on"], [c.starts.minutes, "steam-steady"]);
    flame = 0.9;
  } else if (early) {
    pot = advancePot(spec, pot, still(1, "weight-on"), 120);
    history.push([15, "heat-on"], [3, "steam-steady"], [2, "weight-on"]);
  } else if (c.starts.at === "pressure") {
    pot = advancePot(spec, pot, still(1, "vent-open"), 610);
    let cook = newCook(pot.s);
    const goal = kPaFromPsi(DRILL_TARGET_PSI) + 4;
    for (let s = 0; s < (c.starts.minutes + 8) * 60; s += 5) {
      cook = turnFlame(cook, pot.s, pot.gaugePa / 1000, goal);
      pot = advancePot(spec, pot, still(cook.flame, "weight-on"), 5);
    }
    flame = c.flame ?? cook.flame;
    const { minutes } = c.starts;
    history.push([minutes + 28, "heat-on"], [minutes + 16, "steam-steady"], [minutes + 5, "weight-on"]);
    for (let m = minutes; m > 0; m -= 8) history.push([m, "reading", plan.floorKPa + 3]);
  }
  const trueKPa = Math.max(0, pot.gaugePa / 1000);
  const gaugeKPa = trueKPa + (trueKPa > 1 ? c.gauge.errorKPa : 0);
  return {
    spec,
    plan,
    pot,
    gaugeKPa,
    flame,
    top: c.starts.at === "venting" ? "vent-open" : "weight-on",
    shielded: false,
    events: history.map(([ago, type, kPa], i) => ({
      id: `h${i}`,
      at: -ago * MINUTE_MS,
      seq: i,
      type,
      gaugeKPa: kPa,
    })),
    trueKPa: [trueKPa],
    shownKPa: [gaugeKPa],
  };
}

/** Returns the state of a drill at 0 s, with each canner simulated up to where the drill begins. */
export function beginDrill(drill: Drill): DrillState {
  return { s: 0, pots: drill.canners.map(start), deeds: [], over: false };
}

/**
 * Returns the run of one canner in a drill, by the same rules as a real run. Instants are ms from the beginning of the
 * drill.
 *
 * @param canner index, from 0
 */
export function drillView(state: DrillState, canner: number): RunView {
  const p = state.pots[canner]!;
  return runAt(p.plan, p.events, -120 * MINUTE_MS, state.s * 1000);
}

/**
 * Returns the state of a drill at a later second, with nothing done meanwhile. The same seed gives the same state.
 *
 * @param before not changed
 * @param toS whole seconds from the beginning; the drill's end when it is later
 * @param seed of the gauge's noise, whole
 */
export function advanceDrill(drill: Drill, before: DrillState, toS: number, seed: number): DrillState {
  const state: DrillState = { ...before, pots: before.pots.map(copyOf) };
  const end = Math.min(toS, drill.endS);
  for (; state.s < end; state.s++) {
    state.pots.forEach((p, i) => {
      const c = drill.canners[i]!;
      const gust = c.gusts.find((g) => state.s >= g.fromS && state.s < g.toS)?.strength ?? 0;
      const wind = gust * (p.shielded ? SHIELDED : 1);
      p.pot = advancePot(p.spec, p.pot, { flame: p.flame, top: p.top, gust: wind }, 1);
      const wobble = randomFrom(seed * 7907 + state.s * 2 + i)() * 2 - 1;
      p.gaugeKPa = gaugeAfter(c.gauge, p.gaugeKPa, p.pot.gaugePa / 1000, 1, wobble);
      p.trueKPa.push(p.pot.gaugePa / 1000);
      p.shownKPa.push(p.gaugeKPa);
    });
  }
  state.over = state.s >= drill.endS;
  return state;
}

/** Deeds that are said at the stove, in its own words. */
const isSaid = (what: DeedKey): what is DeedKey & RunEventType =>
  (RUN_EVENT_TYPES as readonly string[]).includes(what);

/**
 * Returns the state of a drill after one action: what is said at the stove becomes an event of the run; looking
 * records what the gauge shows. Unchanged when the drill is over or has no such canner.
 *
 * @param deed flame 0 to 1, a pressure in psi, by what it is
 */
export function applyDeed(state: DrillState, deed: Omit<Deed, "s">): DrillState {
  if (state.over || !state.pots[deed.canner]) return state;
  const done: Deed = { ...deed, s: state.s };
  const pots = state.pots.map(copyOf);
  const p = pots[deed.canner]!;
  const say = (type: RunEventType, gaugeKPa?: number) =>
    p.events.push({
      id: `d${state.deeds.length}`,
      at: state.s * 1000,
      seq: 1000 + state.deeds.length,
      type,
      gaugeKPa,
    });
  if (deed.what === "flame") p.flame = Math.min(1, Math.max(0, deed.value ?? 0));
  if (deed.what === "shield") p.shielded = true;
  if (deed.what === "weight-on") p.top = "weight-on";
  if (deed.what === "weight-off") p.top = "vent-open";
  if (deed.what === "heat-off") p.flame = 0;
  if (deed.what === "look") say("reading", Math.round(p.gaugeKPa * 10) / 10);
  if (isSaid(deed.what)) say(deed.what);
  return { ...state, pots, deeds: [...state.deeds, done] };
}

/**
 * Returns the state of a drill computed from its actions, as it was on the screen.
 *
 * @param deeds in order of their seconds
 * @param endS second it was ended at
 * @param seed it was run with
 */
export function replayDrill(drill: Drill, deeds: readonly Deed[], endS: number, seed: number): DrillState {
  let state = beginDrill(drill);
  for (const deed of deeds) {
    state = advanceDrill(drill, state, deed.s, seed);
    state = applyDeed(state, deed);
  }
  return advanceDrill(drill, state, endS, seed);
}
