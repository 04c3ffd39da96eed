import { SOUND_GAUGE, type GaugeSpec } from "../canner/index.ts";
import { kPaFromPsi } from "../quantity/index.ts";

/** Things that go wrong at a stove, to be practised. */
export const DRILLS = [
  "gust",
  "low-flame",
  "gauge-high",
  "forgotten-vent",
  "phone-call",
  "two-canners",
] as const;
export type DrillKey = (typeof DRILLS)[number];

/** How one canner of a drill stands when the drill begins. */
export interface DrillCanner {
  name: string;
  quarts: number;
  pints: number;
  gauge: GaugeSpec;
  /** minutes its load needs at pressure */
  minutes: number;
  /** at pressure for so many minutes; venting for so many; or shut with air inside */
  starts: { at: "pressure" | "venting"; minutes: number } | { at: "shut-early" };
  /** wind, s after the drill begins; strength 0 to 1 */
  gusts: { fromS: number; toS: number; strength: number }[];
  /** flame it is left at; null for the one that holds it */
  flame: number | null;
}

/** A drill: what is told first, the canners, and how long it takes. */
export interface Drill {
  key: DrillKey;
  title: string;
  brief: string;
  canners: DrillCanner[];
  /** it is over by then, s */
  endS: number;
  /** somebody is on the telephone from and to, s: the gauge is seen only by going to look */
  away: { fromS: number; toS: number } | null;
  /** face pressures to choose from before it begins, psi; none when the target is told */
  choices: number[];
}

const MIN = 60;
/** The altitude and the true target of every drill: 2,300 ft, and the dial column's 12 lb there. */
export const DRILL_ALTITUDE_M = 701.04;
export const DRILL_TARGET_PSI = 12;

const canner = (over: Partial<DrillCanner>): DrillCanner => ({
  name: "Big canner",
  quarts: 21,
  pints: 12,
  gauge: SOUND_GAUGE,
  minutes: 75,
  starts: { at: "pressure", minutes: 40 },
  gusts: [],
  flame: null,
  ...over,
});

const CATALOGUE: Record<DrillKey, Omit<Drill, "key">> = {
  gust: {
    title: "Wind at minute 43",
    brief: "Forty minutes of 75 are done and all is quiet. Keep an eye on the needle: 12 lb is the minimum.",
    canners: [canner({ gusts: [{ fromS: 3 * MIN, toS: 9 * MIN, strength: 0.85 }] })],
    endS: 22 * MIN,
    away: null,
    choices: [],
  },
  "low-flame": {
    title: "A flame too low",
    brief: "Ten minutes in, somebody turned the flame down to save gas. Nothing has happened yet.",
    canners: [canner({ starts: { at: "pressure", minutes: 10 }, flame: 0.12 })],
    endS: 16 * MIN,
    away: null,
    choices: [],
  },
  "gauge-high": {
    title: "A gauge that reads high",
    brief:
      "The office tested this dial: it reads 1 lb high, the most that is still used. The table says 12 lb here. What do you hold on its face?",
    canners: [
      canner({
        gauge: { ...SOUND_GAUGE, errorKPa: kPaFromPsi(1) },
        starts: { at: "pressure", minutes: 5 },
      }),
    ],
    endS: 12 * MIN,
    away: null,
    choices: [11, 12, 13, 15],
  },
  "forgotten-vent": {
    title: "The forgotten vent",
    brief:
      "You come back and the weight is on. “It was steaming, so I put it on,” says your cousin; that was a minute after the first steam. The needle climbs.",
    canners: [canner({ starts: { at: "shut-early" } })],
    endS: 24 * MIN,
    away: null,
    choices: [],
  },
  "phone-call": {
    title: "The phone call",
    brief:
      "Twenty minutes in, your sister calls. While you talk, the needle is in the other room: you see it only when you go and look.",
    canners: [
      canner({
        starts: { at: "pressure", minutes: 20 },
        gusts: [{ fromS: 9 * MIN, toS: 14 * MIN, strength: 0.8 }],
      }),
    ],
    endS: 22 * MIN,
    away: { fromS: MIN, toS: 19 * MIN },
    choices: [],
  },
  "two-canners": {
    title: "Two canners and one head",
    brief:
      "The big one is at pressure. The small one has seven minutes of steady steam behind it. Wind is forecast.",
    canners: [
      canner({ gusts: [{ fromS: 2 * MIN, toS: 7 * MIN, strength: 0.85 }] }),
      canner({
        name: "Small canner",
        quarts: 16,
        pints: 8,
        starts: { at: "venting", minutes: 7 },
      }),
    ],
    endS: 20 * MIN,
    away: null,
    choices: [],
  },
};

/** Returns a drill by its key. */
export function drillOf(key: DrillKey): Drill {
  return { key, ...CATALOGUE[key] };
}
