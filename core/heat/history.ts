import { MINUTE_MS, kPaFromPsi } from "../quantity/index.ts";
import { cannerSteam } from "../steam/index.ts";
import {
  effectiveEvents,
  newRunState,
  observationOf,
  stepRun,
  type RunEvent,
  type RunPlan,
} from "../run/index.ts";

/** Where and on what a run was done, as far as its heat is concerned. */
export interface Kitchen {
  altitudeM: number;
  /** what the face shows more than there is, kPa */
  faceErrorKPa: number;
  /** true pressure at which the weight rocks, kPa; null without a weight */
  rockingKPa: number | null;
  /** how long this canner takes to lose its pressure, minutes, where nobody wrote it down */
  coolMinutes: number;
}

/** Temperature of the canner at an instant; straight lines between two. */
export interface Knot {
  /** ms since 1970 UTC */
  at: number;
  tempC: number;
}

/** Water in the canner when the burner is lit: hot, not boiling, for jars that are warm. Common practice, no source. */
const WATER_C = 60;
/** Part of the gas that is still air when steam first streams steadily. Assumed. */
const AIR_AT_FIRST = 0.5;
/** Steady steam takes this long to leave e⁻¹ of the air, min. Assumed; a simulated canner does it faster. */
const AIR_TAU_MIN = 1.5;
/** A look that only says "below" is taken as this much below, kPa (1 lb). */
const BELOW_KPA = kPaFromPsi(1);

/**
 * Returns the mole fraction of air left in a canner after some steady steam, 0 to 0.5. Assumed, no source: half at
 * first, and e⁻¹ of it every 1½ minutes.
 *
 * @param steadyMs time of steady steam, ms, ≥ 0
 */
export function airLeft(steadyMs: number): number {
  return AIR_AT_FIRST * Math.exp(-steadyMs / MINUTE_MS / AIR_TAU_MIN);
}

/**
 * Returns the temperature in the canner over a run, °C at instants in order, from what was recorded: warming to the
 * boil, venting with the air that is left, the readings with straight lines between, cooling to zero. Air that was
 * shut in holds up the gauge but not the temperature. Empty when nothing was lit.
 *
 * Sources: Dalton's law, saturated steam by IAPWS, air pressure by the U.S. Standard Atmosphere 1976.
 * @param kitchen altitude, m, and what is known of the canner
 * @param openedAt ms since 1970 UTC
 * @param now ms since 1970 UTC; later events do not count
 */
export function cannerHistory(
  plan: RunPlan,
  events: readonly RunEvent[],
  kitchen: Kitchen,
  openedAt: number,
  now: number,
): Knot[] {
  const knots: Knot[] = [];
  const push = (at: number, tempC: number) => {
    const last = knots.at(-1);
    knots.push({ at: last ? Math.max(at, last.at) : at, tempC });
  };
  const { atmosphericKPa, tempC: boilC } = cannerSteam(kitchen.altitudeM, 0);
  let airKPa = 0;
  const steamC = (trueKPa: number) => {
    const gauge = Math.max(0, trueKPa);
    return cannerSteam(kitchen.altitudeM, gauge, Math.min(0.97, airKPa / (atmosphericKPa + gauge))).tempC;
  };
  const floor = plan.floorKPa - kitchen.faceErrorKPa;
  const seen = (e: RunEvent): number | null => {
    // What the dial is known to read high is no error of a gauge that sends.
    if (e.gaugeKPa !== undefined) return e.gaugeKPa - (e.source === undefined ? kitchen.faceErrorKPa : 0);
    if (e.type === "at-target" || e.type === "too-high") return floor;
    if (e.type === "weight-rocking") return kitchen.rockingKPa ?? floor;
    if (e.type === "jiggles") return e.perMinute ? (kitchen.rockingKPa ?? floor) : floor - BELOW_KPA;
    if (e.type === "below-target" || e.type === "weight-quiet") return floor - BELOW_KPA;
    return null;
  };
  const state = newRunState(openedAt);
  let shut = false;
  let over: number | null = null;
  let last = floor;
  // Steam drives air out whenever it streams: what the clock of the ten minutes forgets at a falter, the air does not.
  let steadyMs = 0;
  let steadySince: number | null = null;
  for (const e of effectiveEvents(events.filter((x) => x.at <= now))) {
    stepRun(state, plan, e);
    if (e.type === "steam-steady") steadySince ??= e.at;
    else if (steadySince !== null && (e.type === "steam-faltered" || e.type === "weight-on")) {
      steadyMs += e.at - steadySince;
      steadySince = null;
    }
    if (over !== null && e.type !== "heat-on") continue;
    switch (e.type) {
      case "heat-on":
        push(e.at, over === null || knots.length === 0 ? WATER_C : boilC);
        [shut, over] = [false, null];
        steadyMs = 0;
        break;
      case "steam-steady":
        if (knots.length === 0) push(e.at, WATER_C);
        if (!shut) push(e.at, boilC);
        break;
      case "weight-on": {
        if (shut || knots.length === 0) break;
        airKPa = airLeft(steadyMs) * atmosphericKPa;
        push(e.at, steamC(0));
        shut = true;
        break;
      }
      case "weight-off":
        if (state.heatOffAt === null) [shut, airKPa] = [false, 0];
        break;
      case "heat-off":
        push(e.at, shut ? steamC(last) : boilC);
        over = e.at;
        break;
      default: {
        const kPa = seen(e);
        // A gauge that nobody goes by says nothing here either.
        const by = observationOf(plan, e)?.instrument;
        if (kPa === null || !shut || (by !== undefined && state.aside.includes(by))) break;
        // A look on the way up: without one before it the pressure rose from nothing.
        last = kPa;
        push(e.at, steamC(kPa));
      }
    }
  }
  if (knots.length === 0) return [];
  if (over === null) {
    if (now > knots.at(-1)!.at) push(now, knots.at(-1)!.tempC);
    return knots;
  }
  const zero = Math.max(over, state.zeroAt ?? over + kitchen.coolMinutes * MINUTE_MS);
  push(zero, boilC);
  push(Math.max(zero, state.lidOffAt ?? zero + plan.settleMinutes * MINUTE_MS), boilC - 4);
  return knots;
}

/**
 * Returns a temperature history at even steps, °C, from its first instant to its last; empty when it is.
 *
 * @param knots in order of instants
 * @param stepS seconds between two values, > 0
 */
export function resampleHistory(knots: readonly Knot[], stepS: number): Float64Array {
  if (knots.length === 0) return new Float64Array(0);
  const start = knots[0]!.at;
  const steps = Math.max(1, Math.ceil((knots.at(-1)!.at - start) / 1000 / stepS));
  const temps = new Float64Array(steps + 1);
  let k = 0;
  for (let i = 0; i <= steps; i++) {
    const at = start + i * stepS * 1000;
    while (k < knots.length - 2 && knots[k + 1]!.at <= at) k++;
    const [a, b] = [knots[k]!, knots[Math.min(k + 1, knots.length - 1)]!];
    const t = b.at > a.at ? Math.min(1, (at - a.at) / (b.at - a.at)) : 1;
    temps[i] = a.tempC + t * (b.tempC - a.tempC);
  }
  return temps;
}
