import { COMMON_PRACTICE, usda2015, type Source } from "./source.ts";

/** A rule of its own that a schedule carries beside minutes and pressure. */
export interface Condition {
  key: "fish-quart" | "fish-smoked" | "exhaust";
  text: string;
  source: Source;
  /** at least this long from lighting the burner to the end of venting */
  minBurnerToVentEndMinutes?: number;
  /** only canners of this size, quarts, both ends included */
  cannerQuarts?: readonly [number, number];
  /** cool tap water put in, never preheated or reduced, quarts */
  coolWaterQuarts?: number;
  /** centre temperature every open can must reach before it is seamed, °C */
  exhaustTempC?: number;
}

/** Centre temperature a can is seamed at or above, °C (170 °F). Common practice, no source. */
export const EXHAUST_TEMP_C = (170 - 32) / 1.8;

export const CONDITIONS: Record<Condition["key"], Condition> = {
  "fish-quart": {
    key: "fish-quart",
    text:
      "From lighting the burner to the end of the 10-minute vent takes at least 30 minutes; longer for tightly " +
      "packed or cold fish, or a large canner.",
    source: usda2015("Guide 5, fish in quart jars"),
    minBurnerToVentEndMinutes: 30,
  },
  "fish-smoked": {
    key: "fish-smoked",
    text:
      "Only in a 16- to 22-quart canner. Measure in 4 quarts of cool tap water, not preheated and not reduced, " +
      "even if it reaches the bands. Pints. Do not taste before canning.",
    source: usda2015("Guide 5, smoked fish"),
    cannerQuarts: [16, 22],
    coolWaterQuarts: 4,
  },
  exhaust: {
    key: "exhaust",
    text: "Exhaust every filled can to 170 °F (77 °C) at the centre of the meat before seaming.",
    source: COMMON_PRACTICE,
    exhaustTempC: EXHAUST_TEMP_C,
  },
};

/** Minutes of steady steam before the weight goes on, for every schedule. Longer is fine. */
export const VENT_MINUTES = 10;

export const TIMES_AROUND: Record<
  "vent" | "comeUp" | "coolSmall" | "coolLarge" | "settle" | "rest" | "afterFailedSeal",
  { low: number; high: number; unit: "min" | "h"; source: Source }
> = {
  vent: { low: VENT_MINUTES, high: VENT_MINUTES, unit: "min", source: usda2015("Guide 1, pressure canning") },
  comeUp: { low: 3, high: 5, unit: "min", source: COMMON_PRACTICE },
  coolSmall: { low: 25, high: 35, unit: "min", source: COMMON_PRACTICE },
  coolLarge: { low: 45, high: 60, unit: "min", source: COMMON_PRACTICE },
  settle: { low: 10, high: 10, unit: "min", source: usda2015("Guide 1, pressure canning") },
  rest: { low: 12, high: 24, unit: "h", source: usda2015("Guide 1, cooling jars") },
  afterFailedSeal: { low: 0, high: 24, unit: "h", source: usda2015("Guide 1, reprocessing unsealed jars") },
};
