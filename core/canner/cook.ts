import { type PotState } from "./pot.ts";

/** Steam that streams from the vent without spitting, kg/s. */
const STEADY_KG_S = 2.5e-4;

/** How the one at the flame has been doing. */
export interface CookMemory {
  flame: number;
  /** what the gauge showed when the flame was last turned, and when, s */
  at: number;
  kPa: number;
}

/** Full flame, and nobody has turned it yet. */
export const freshCook = (s: number): CookMemory => ({ flame: 1, at: s, kPa: 0 });

/** Nobody turns a flame more often than this, s. */
const EVERY_S = 15;

/**
 * How somebody careful holds a pressure by turning the flame in small steps: full until near, then towards where it was
 * heading. Goes by the gauge alone.
 * @param goalKPa to hold, on the gauge
 */
export function turnFlame(memory: CookMemory, s: number, gaugeKPa: number, goalKPa: number): CookMemory {
  if (s - memory.at < EVERY_S) return memory;
  const perMinute = ((gaugeKPa - memory.kPa) / Math.max(1, s - memory.at)) * 60;
  const off = goalKPa - gaugeKPa;
  const next =
    off > 12 && perMinute < 12
      ? 1
      : Math.min(1, Math.max(0.05, memory.flame + 0.012 * off - 0.02 * perMinute));
  return { flame: next, at: s, kPa: gaugeKPa };
}

/** Whether steam streams steadily. */
export const steamsSteadily = (p: PotState) => p.steamKgS >= STEADY_KG_S;

/** A weight that rocks so often in a minute is right, as somebody by the stove hears it. Common practice, no source. */
const ROCKS = { few: 2, many: 5 };
/** Listened to for so long before the flame is turned, s. */
const LISTENS_S = 60;

/**
 * How somebody holds a pressure by ear: full until the weight rocks, then down until it rocks gently, and up again when it
 * goes quiet. `kPa` of the memory counts how often it had rocked when the flame was last turned.
 * @param jiggles how often it has rocked so far
 */
export function turnFlameByEar(memory: CookMemory, s: number, jiggles: number): CookMemory {
  const heard = jiggles - memory.kPa;
  if (memory.flame === 1 && heard > 0) return { flame: 0.5, at: s, kPa: jiggles };
  if (s - memory.at < LISTENS_S) return memory;
  const turn = heard > ROCKS.many ? -0.04 : heard < ROCKS.few ? 0.06 : 0;
  const flame = memory.flame === 1 ? 1 : Math.min(0.9, Math.max(0.1, memory.flame + turn));
  return { flame, at: s, kPa: jiggles };
}
