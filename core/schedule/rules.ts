import { cFromF, formatFraction } from "#core/quantity";
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

/** Center temperature a can is seamed at or above, °F. Common practice, no source. */
export const EXHAUST_TEMP_F = 170;

/** The same, °C. */
export const EXHAUST_TEMP_C = cFromF(EXHAUST_TEMP_F);

export type ConditionFigureKey =
  | "exhaust"
  | "fish-quart-water"
  | "fish-quart-to-vent-end"
  | "smoked-canner-from"
  | "smoked-canner-to"
  | "smoked-water"
  | "crab-soak"
  | "crab-soak-lemon"
  | "crab-soak-vinegar"
  | "crab-soak-salt"
  | "crab-half-pint-citric"
  | "crab-half-pint-lemon"
  | "crab-pint-citric"
  | "crab-pint-lemon"
  | "clams-minutes"
  | "clams-lemon"
  | "clams-citric";

interface ConditionFigure {
  of: ConditionKey;
  key: ConditionFigureKey;
  /** what a guide says it of */
  label: string;
  unit: "min" | "qt" | "cup" | "tbsp" | "tsp";
  is: number;
  safer: "more" | null;
}

const figure = (
  of: ConditionKey,
  key: ConditionFigureKey,
  label: string,
  unit: ConditionFigure["unit"],
  is: number,
  safer: ConditionFigure["safer"] = null,
): ConditionFigure => ({ of, key, label, unit, is, safer });

/** Every figure in the rules of rows. Source: as the rule it is of, USDA 2015, Guide 5, from memory. */
export const CONDITION_FIGURES: readonly ConditionFigure[] = [
  figure("fish-quart", "fish-quart-water", "Quarts: water in the canner", "qt", 3),
  figure(
    "fish-quart",
    "fish-quart-to-vent-end",
    "Quarts: lighting to the end of venting, at least",
    "min",
    30,
    "more",
  ),
  figure("fish-smoked", "smoked-canner-from", "Smallest canner", "qt", 16),
  figure("fish-smoked", "smoked-canner-to", "Largest canner", "qt", 22),
  figure("fish-smoked", "smoked-water", "Cool water in the canner", "qt", 4),
  figure("crab-acid", "crab-soak", "Soaking the meat", "min", 2),
  figure("crab-acid", "crab-soak-lemon", "Lemon juice a gallon, to soak", "cup", 2),
  figure("crab-acid", "crab-soak-vinegar", "Or white vinegar a gallon, to soak", "cup", 4),
  figure("crab-acid", "crab-soak-salt", "Salt a gallon, to soak", "tbsp", 2),
  figure("crab-acid", "crab-half-pint-citric", "Citric acid in a half-pint", "tsp", 0.5),
  figure("crab-acid", "crab-half-pint-lemon", "Or lemon juice in a half-pint", "tbsp", 2),
  figure("crab-acid", "crab-pint-citric", "Citric acid in a pint", "tsp", 1),
  figure("crab-acid", "crab-pint-lemon", "Or lemon juice in a pint", "tbsp", 4),
  figure("clams-blanch", "clams-minutes", "Blanching", "min", 2),
  figure("clams-blanch", "clams-lemon", "Lemon juice a gallon", "tbsp", 2),
  figure("clams-blanch", "clams-citric", "Or citric acid a gallon", "tsp", 0.5),
];

const written = Object.fromEntries(CONDITION_FIGURES.map((f) => [f.key, f.is]));

/**
 * Returns a rule that a process carries beside minutes and pressure, with its figures as the tables have them or as a
 * household's own guide does.
 *
 * Source: USDA 2015, from memory, or common practice; each condition names its own.
 * @param figures figures of the household's own guide that stand in place of the tables', by key
 */
export function conditionWith(
  key: ConditionKey,
  figures: Readonly<Partial<Record<string, number | null>>> = {},
): Condition {
  const is = (figure: ConditionFigureKey) => figures[figure] ?? written[figure]!;
  const say = (figure: ConditionFigureKey) => formatFraction(is(figure));
  switch (key) {
    case "fish-quart": {
      const water = say("fish-quart-water");
      return {
        key,
        text:
          `Put ${water} quarts of water in the canner. From lighting the burner to the end of the 10-minute vent takes at least ` +
          `${say("fish-quart-to-vent-end")} minutes; longer for tightly packed or cold fish, or a large canner.`,
        source: usda2015("Guide 5, fish in quart jars"),
        asked: "load",
        confirm: `${water} quarts of water are in the canner.`,
        minBurnerToVentEndMinutes: is("fish-quart-to-vent-end"),
        waterQuarts: is("fish-quart-water"),
      };
    }
    case "fish-smoked": {
      const water = say("smoked-water");
      return {
        key,
        text:
          `Only in a ${say("smoked-canner-from")}- to ${say("smoked-canner-to")}-quart canner. Measure in ${water} quarts of cool tap water, not preheated and not reduced, ` +
          "even if it reaches the bands. Pints. Do not taste before canning.",
        source: usda2015("Guide 5, smoked fish"),
        asked: "load",
        confirm: `${water} quarts of cool tap water are in the canner, measured and not preheated.`,
        cannerQuarts: [is("smoked-canner-from"), is("smoked-canner-to")],
        coolWaterQuarts: is("smoked-water"),
      };
    }
    case "exhaust":
      return {
        key,
        text: "Exhaust every filled can to 170 °F (77 °C) at the center of the meat before seaming.",
        source: COMMON_PRACTICE,
        asked: null,
        confirm: "Every can reached 170 °F (77 °C) at its center.",
        exhaustTempC: EXHAUST_TEMP_C,
      };
    case "crab-acid":
      return {
        key,
        text:
          `Soak the picked meat ${say("crab-soak")} minutes in cold water with ${say("crab-soak-lemon")} cups lemon juice or ${say("crab-soak-vinegar")} cups white vinegar and ${say("crab-soak-salt")} tbsp salt a ` +
          `gallon, and drain it. Then put acid in every jar: ${say("crab-half-pint-citric")} tsp citric acid or ${say("crab-half-pint-lemon")} tbsp lemon juice in a half-pint, ${say("crab-pint-citric")} tsp ` +
          `or ${say("crab-pint-lemon")} tbsp in a pint. Cover with fresh boiling water.`,
        source: usda2015("Guide 5, king and Dungeness crab meat"),
        asked: "pack",
        confirm: "The meat was soaked in the acid brine, and every jar has its acid.",
      };
    case "clams-blanch":
      return {
        key,
        text: `Blanch the clams ${say("clams-minutes")} minutes in boiling water with ${say("clams-lemon")} tbsp lemon juice or ${say("clams-citric")} tsp citric acid a gallon.`,
        source: usda2015("Guide 5, clams"),
        asked: "pack",
        confirm: `The clams were blanched ${say("clams-minutes")} minutes in the acid water.`,
      };
    case "raw-beside-hot":
      return {
        key,
        text:
          "Raw and hot jars together: put the raw jars in first, into water of about 140 °F (60 °C). Put the hot jars in " +
          "last, and light the burner at once. Hotter water can break raw jars, and hot jars may not cool.",
        source: usda2015("Guide 1, pressure canning (water at 140 °F for raw-packed food)"),
        asked: "load",
        confirm: "The water is at about 140 °F (60 °C), raw jars are in first, hot jars go in last.",
        orSign: true,
      };
  }
}

/** Every condition with the figures of the tables. */
export const CONDITIONS = Object.fromEntries(
  CONDITION_KEYS.map((key) => [key, conditionWith(key)]),
) as Record<ConditionKey, Condition>;

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
