import {
  SOUND_GAUGE,
  newPot,
  newCook,
  gaugeAfter,
  advancePot,
  plausibleCanner,
  steamsSteadily,
  turnFlame,
  type Hands,
} from "#core/canner";
import { randomFrom } from "#core/random";
import { kPaFromPsi } from "#core/quantity";
import type { RunEventType } from "#core/run";

/** What the simulated canner of a run is like. */
export interface SimulatedLoad {
  altitudeM: number;
  quarts: number;
  pints: number;
  minutes: number;
  /** floor on the face and what the face shows too much, psi */
  facePsi: number;
  errorPsi: number;
  /** wind at the burner: minute at pressure it begins, minutes it lasts, strength 0 to 1 */
  gust?: { minute: number; minutes: number; strength: number };
}

/** Something that happened, s after lighting: a tap, or what the gauge showed. */
export interface Happening {
  s: number;
  type: RunEventType;
  gaugeKPa?: number;
  /** sent by a gauge, and not said by anybody */
  sent?: boolean;
}

const STEP_S = 2;
/** A gauge that sends does so this often, s; somebody looks this often as well, s. */
const SENDS_S = 20;
const LOOKS_S = 540;

const known = new Map<string, Happening[]>();

/** A whole run on a simulated canner, from lighting the burner to the towel. The same load is the same run every time. */
export function simulatedRun(load: SimulatedLoad): Happening[] {
  const key = JSON.stringify(load);
  const found = known.get(key) ?? simulate(load);
  known.set(key, found);
  return found;
}

function simulate(load: SimulatedLoad): Happening[] {
  const spec = plausibleCanner(load.quarts, load.pints, load.altitudeM);
  const gauge = { ...SOUND_GAUGE, errorKPa: kPaFromPsi(load.errorPsi) };
  const floor = kPaFromPsi(load.facePsi);
  const even = randomFrom(7);
  const told: Happening[] = [{ s: 0, type: "heat-on" }];
  let pot = newPot(spec);
  let [shown, sent] = [0, 0];
  let stage: "warm" | "vent" | "pressure" | "cool" = "warm";
  let since = 0;
  let began: number | null = null;
  let first: number | null = null;
  let [sentAt, lookedAt] = [0, 0];
  let cook = newCook(0);
  for (let s = 0; s < 8 * 3600; s += STEP_S) {
    const top: Hands["top"] = stage === "pressure" || stage === "cool" ? "weight-on" : "vent-open";
    if (stage === "pressure") cook = turnFlame(cook, pot.s, shown, floor + 4);
    const flame = stage === "cool" ? 0 : stage === "pressure" ? cook.flame : 1;
    const minute = first === null ? -1 : (s - first) / 60;
    const windy = load.gust && minute >= load.gust.minute && minute < load.gust.minute + load.gust.minutes;
    pot = advancePot(spec, pot, { flame, top, gust: windy ? load.gust!.strength : 0 }, STEP_S);
    shown = gaugeAfter(gauge, shown, pot.gaugePa / 1000, STEP_S, even() * 2 - 1);
    // The gauge that sends is another one than the dial, and reads true.
    sent = gaugeAfter(SOUND_GAUGE, sent, pot.gaugePa / 1000, STEP_S, even() * 2 - 1);
    const tap = (type: RunEventType, gaugeKPa?: number) => told.push({ s, type, gaugeKPa });
    if (stage === "warm" && steamsSteadily(pot) && s - since > 60) {
      tap("steam-steady");
      [stage, since] = ["vent", s];
    } else if (stage === "vent" && s - since > 620) {
      tap("weight-on");
      [stage, since] = ["pressure", s];
      cook = newCook(pot.s);
    } else if (stage === "pressure") {
      if (began === null && shown >= floor) {
        tap("reading", Math.ceil(shown * 10) / 10);
        began = s;
        first ??= s;
      } else if (began !== null && shown < floor) began = null;
      else if (began !== null && s - lookedAt > LOOKS_S) {
        tap("at-target");
        lookedAt = s;
      }
      if (began !== null && s - began > load.minutes * 60 + 50) {
        tap("heat-off");
        [stage, since] = ["cool", s];
      }
    }
    // Between a drop and its end a person and the gauge would say the same thing twice: the gauge is enough.
    if (s - sentAt >= SENDS_S && (stage === "pressure" || stage === "cool")) {
      told.push({ s: s + 1, type: "reading", gaugeKPa: Math.round(sent * 100) / 100, sent: true });
      sentAt = s;
    }
    if (stage === "cool" && shown < 0.9) {
      for (const [i, type] of (["pressure-zero", "lock-down", "weight-off"] as const).entries())
        told.push({ s: s + 40 + i * 60, type });
      told.push({ s: s + 160 + 11 * 60, type: "lid-off" });
      return told;
    }
  }
  throw new Error("a simulated run never came to an end");
}
