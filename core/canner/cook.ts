import type { PotState } from "./pot.ts";

/** Steam that streams from the vent without spitting, kg/s. */
const STEADY_KG_S = 2.5e-4;

/** How the one at the flame has been doing. */
export interface CookMemory {
  flame: number;
  /** what the gauge showed when the flame was last turned, and when, s */
  at: number;
  kPa: number;
}

/**
 * Returns the memory of a cook who has just lit a full flame.
 *
 * @param s seconds since the canner was filled, ≥ 0
 */
export const newCook = (s: number): CookMemory => ({ flame: 1, at: s, kPa: 0 });

/** Nobody turns a flame more often than this, s. */
const EVERY_S = 15;

/**
 * Returns the flame, 0.05 to 1, and the memory of a simulated cook who holds a pressure by the gauge: full flame until
 * near the goal, then small steps against the error and its trend, at most one in 15 s. Common practice, no source.
 *
 * @param memory from the turn before
 * @param s seconds since the canner was filled
 * @param gaugeKPa what the gauge shows, kPa, ≥ 0
 * @param goalKPa what the gauge is to show, kPa
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

/** Returns whether the steam leaving the vent is a steady stream: 0.25 g/s or more. From memory. */
export const steamsSteadily = (p: PotState) => p.steamKgS >= STEADY_KG_S;

/** A weight that rocks so often in a minute is right, as somebody by the stove hears it. Common practice, no source. */
const ROCKS = { few: 2, many: 5 };
/** Listened to for so long before the flame is turned, s. */
const LISTENS_S = 60;

/**
 * Returns the flame, 0.1 to 1, and the memory of a simulated cook who goes by a rocking weight: full flame until it
 * first rocks, then half, then a small step each minute to keep it at 2 to 5 rocks a minute. Common practice, no
 * source.
 *
 * @param memory from the turn before; its `kPa` holds the rocks counted by then
 * @param s seconds since the canner was filled
 * @param jiggles rocks counted so far, ≥ 0
 */
export function turnFlameByEar(memory: CookMemory, s: number, jiggles: number): CookMemory {
  const heard = jiggles - memory.kPa;
  if (memory.flame === 1 && heard > 0) return { flame: 0.5, at: s, kPa: jiggles };
  if (s - memory.at < LISTENS_S) return memory;
  const turn = heard > ROCKS.many ? -0.04 : heard < ROCKS.few ? 0.06 : 0;
  const flame = memory.flame === 1 ? 1 : Math.min(0.9, Math.max(0.1, memory.flame + turn));
  return { flame, at: s, kPa: jiggles };
}
