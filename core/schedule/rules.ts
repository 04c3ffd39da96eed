import { cFromF } from "#core/quantity";
import { COMMON_PRACTICE, usda2015, type Source } from "./source.ts";

export const CONDITION_KEYS = [
  "fish-quart",
  "fish-smoked",
  "exhaust",
  "crab-acid",
  "clams-blanch",
  "raw-beside-hot",
] as const;
export type ConditionKey = (typeof CONDITION_KEYS)[number];

/** A rule of its own that a process carries beside minutes and pressure. */
export interface Condition {
  key: ConditionKey;
  text: string;
  source: Source;
  /**
   * When a person has to say that it was done: as the containers are filled, or before the burner is lit. Without that
   * answer there is no process. Null where the program sees to it itself (each can's own temperature).
   */
  asked: "pack" | "load" | null;
  /** what the person confirms, a statement */
  confirm: string;
  /** at least this long from lighting the burner to the end of venting */
  minBurnerToVentEndMinutes?: number;
  /** only canners of this size, quarts, both ends included */
  cannerQuarts?: readonly [number, number];
  /** cool tap water put in, never preheated or reduced, quarts */
  coolWaterQuarts?: number;
  /** water in the canner, quarts, whatever its manual says */
  waterQuarts?: number;
  /** centre temperature every open can must reach before it is seamed, °C */
  exhaustTempC?: number;
  /** a person may sign for going ahead without it; nobody may when left out */
  orSign?: boolean;
}

/** Centre temperature a can is seamed at or above, °C (170 °F). Common practice, no source. */
export const EXHAUST_TEMP_C = cFromF(170);

export const CONDITIONS: Record<ConditionKey, Condition> = {
  "fish-quart": {
    key: "fish-quart",
    text:
      "Put 3 quarts of water in the canner. From lighting the burner to the end of the 10-minute vent takes at least " +
      "30 minutes; longer for tightly packed or cold fish, or a large canner.",
    source: usda2015("Guide 5, fish in quart jars"),
    asked: "load",
    confirm: "3 quarts of water are in the canner.",
    minBurnerToVentEndMinutes: 30,
    waterQuarts: 3,
  },
  "fish-smoked": {
    key: "fish-smoked",
    text:
      "Only in a 16- to 22-quart canner. Measure in 4 quarts of cool tap water, not preheated and not reduced, " +
      "even if it reaches the bands. Pints. Do not taste before canning.",
    source: usda2015("Guide 5, smoked fish"),
    asked: "load",
    confirm: "4 quarts of cool tap water are in the canner, measured and not preheated.",
    cannerQuarts: [16, 22],
    coolWaterQuarts: 4,
  },
  exhaust: {
    key: "exhaust",
    text: "Exhaust every filled can to 170 °F (77 °C) at the center of the meat before seaming.",
    source: COMMON_PRACTICE,
    asked: null,
    confirm: "Every can reached 170 °F (77 °C) at its center.",
    exhaustTempC: EXHAUST_TEMP_C,
  },
  "crab-acid": {
    key: "crab-acid",
    text:
      "Soak the picked meat 2 minutes in cold water with 2 cups lemon juice or 4 cups white vinegar and 2 tbsp salt a " +
      "gallon, and drain it. Then put acid in every jar: ½ tsp citric acid or 2 tbsp lemon juice in a half-pint, 1 tsp " +
      "or 4 tbsp in a pint. Cover with fresh boiling water.",
    source: usda2015("Guide 5, king and Dungeness crab meat"),
    asked: "pack",
    confirm: "The meat was soaked in the acid brine, and every jar has its acid.",
  },
  "clams-blanch": {
    key: "clams-blanch",
    text: "Blanch the clams 2 minutes in boiling water with 2 tbsp lemon juice or ½ tsp citric acid a gallon.",
    source: usda2015("Guide 5, clams"),
    asked: "pack",
    confirm: "The clams were blanched 2 minutes in the acid water.",
  },
  "raw-beside-hot": {
    key: "raw-beside-hot",
    text:
      "Raw and hot jars together: put the raw jars in first, into water of about 140 °F (60 °C). Put the hot jars in " +
      "last, and light the burner at once. Hotter water can break raw jars, and hot jars may not cool.",
    source: usda2015("Guide 1, pressure canning (water at 140 °F for raw-packed food)"),
    asked: "load",
    confirm: "The water is at about 140 °F (60 °C), raw jars are in first, hot jars go in last.",
    orSign: true,
  },
};

/**
 * Returns the conditions a person still has to confirm; empty when none is missing. There is no process while one is.
 *
 * @param stage `pack`, as containers are filled; `load`, before the burner is lit, with those asked at filling
 *   included
 * @param answered keys a person has confirmed
 */
export function unanswered(
  conditions: readonly Condition[],
  stage: "pack" | "load",
  answered: readonly string[],
): Condition[] {
  return conditions.filter(
    (c) => c.asked !== null && (c.asked === "pack" || stage === "load") && !answered.includes(c.key),
  );
}

/** Minutes of steady steam before the weight goes on, for every process. Longer is fine. */
export const VENT_MINUTES = 10;

/** Hours after the weight is off within which the lid comes off: longer invites flat-sour spoilage. Quality, not safety. */
export const LID_OFF_WITHIN_HOURS = 1;

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
