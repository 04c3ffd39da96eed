import { JAR_BANDS, CAN_BAND } from "./pressure.ts";
import { CONDITION_FIGURES, EXHAUST_TEMP_F, VENT_MINUTES, type ConditionFigureKey } from "./rules.ts";
import { CAN_ROWS, rowOf, type CanRow, type JarRow, type ProductKey } from "./table.ts";

/** What a figure of a row is measured in, as a guide prints it; `yes` for what a guide gives or does not. */
export const FIGURE_UNITS = ["min", "in", "lb", "qt", "cup", "tbsp", "tsp", "°F", "yes"] as const;
export type FigureUnit = (typeof FIGURE_UNITS)[number];

/** Figures every row has of its own kind, and those of its conditions. */
export type FigureKey =
  | "half-pint"
  | "pint"
  | "quart"
  | "half-pound"
  | "one-pound"
  | "headspace"
  | "raw"
  | "hot"
  | "vent"
  | "dial-1000"
  | "dial-2000"
  | "dial-4000"
  | "dial-6000"
  | "dial-8000"
  | "weighted-1000"
  | "weighted-above"
  | ConditionFigureKey;

/** What a row says, figure by figure; null where it has none (a size without a tested time). `yes` is 1, no is 0. */
export type RowFigures = Readonly<Partial<Record<FigureKey, number | null>>>;

/** One figure of a row, as somebody reads it in a guide. */
export interface FigureAsked {
  key: FigureKey;
  /** what the guide prints it under */
  label: string;
  unit: FigureUnit;
  group: "packs" | "minutes" | "headspace" | "pressure" | "conditions";
  /** which way is safe without asking anybody; null where neither is */
  safer: "more" | "less" | null;
  /** the program does its work with this one figure: another is never taken, only the row stopped */
  fixed?: true;
}

const bandLabel = (from: number, to: number) =>
  `${from === 0 ? "0" : (from + 1).toLocaleString("en-US")} to ${to.toLocaleString("en-US")} ft`;

const DIAL_BANDS = JAR_BANDS.filter((b) => b.dialPsi !== null);

const asked = (
  key: FigureKey,
  label: string,
  unit: FigureUnit,
  group: FigureAsked["group"],
  safer: FigureAsked["safer"],
): FigureAsked => ({ key, label, unit, group, safer });

const packsAsked = [
  asked("raw", "Raw pack", "yes", "packs", "less"),
  asked("hot", "Hot pack", "yes", "packs", "less"),
];
const headspaceAsked = asked("headspace", "Headspace", "in", "headspace", null);
const ventAsked = asked("vent", "Venting", "min", "conditions", "more");

const isCanRow = (row: JarRow | CanRow): row is CanRow => CAN_ROWS.some((c) => c.key === row.key);

/** Conditions a row has of its own, of any size. */
const conditionsOf = (row: JarRow | CanRow) =>
  isCanRow(row) ? [] : [row.ownRule, row.quartRule].filter((k) => k !== undefined);

/**
 * Returns what somebody is asked who compares a row with a guide, in the order a guide prints it: which packs it
 * gives, minutes by size, headspace, pressures by altitude, and every figure of the row's conditions.
 */
export function figuresAsked(product: ProductKey): FigureAsked[] {
  const row = rowOf(product);
  const conditions = conditionsOf(row).flatMap((key) =>
    CONDITION_FIGURES.filter((f) => f.of === key).map((f) =>
      asked(f.key, f.label, f.unit, "conditions", f.safer),
    ),
  );
  if (isCanRow(row))
    return [
      ...packsAsked,
      asked("half-pound", "Half-pound cans", "min", "minutes", "more"),
      asked("one-pound", "One-pound cans", "min", "minutes", "more"),
      headspaceAsked,
      asked("dial-1000", `Dial gauge, ${bandLabel(0, CAN_BAND.toFt)}`, "lb", "pressure", "more"),
      asked("weighted-1000", `Weighted gauge, ${bandLabel(0, CAN_BAND.toFt)}`, "lb", "pressure", "more"),
      ventAsked,
      { ...asked("exhaust", "Exhausting, center of the can", "°F", "conditions", "more"), fixed: true },
    ];
  return [
    ...packsAsked,
    asked("half-pint", "Half-pints", "min", "minutes", "more"),
    asked("pint", "Pints", "min", "minutes", "more"),
    asked("quart", "Quarts", "min", "minutes", "more"),
    headspaceAsked,
    ...DIAL_BANDS.map((band, i) =>
      asked(
        `dial-${band.toFt}` as FigureKey,
        `Dial gauge, ${bandLabel(DIAL_BANDS[i - 1]?.toFt ?? 0, band.toFt)}`,
        "lb",
        "pressure",
        "more",
      ),
    ),
    asked("weighted-1000", "Weighted gauge, 0 to 1,000 ft", "lb", "pressure", "more"),
    asked("weighted-above", "Weighted gauge, above 1,000 ft", "lb", "pressure", "more"),
    ventAsked,
    ...conditions,
  ];
}

/**
 * Returns what a row of the tables says, figure by figure. A half-pint without a time of its own has null.
 *
 * Source: as the row, its pressures and its conditions: USDA 2015, from memory, or common practice without a source.
 */
export function publishedFigures(product: ProductKey): RowFigures {
  const row = rowOf(product);
  const common = {
    raw: Number(row.packs.includes("raw")),
    hot: Number(row.packs.includes("hot")),
    headspace: row.headspaceIn,
    vent: VENT_MINUTES,
  };
  if (isCanRow(row))
    return {
      ...common,
      "half-pound": row.halfPoundMinutes,
      "one-pound": row.onePoundMinutes,
      "dial-1000": CAN_BAND.dialPsi,
      "weighted-1000": CAN_BAND.weightedPsi,
      exhaust: EXHAUST_TEMP_F,
    };
  return {
    ...common,
    "half-pint": row.halfPintMinutes === "as-pint" ? null : row.halfPintMinutes,
    pint: row.pintMinutes,
    quart: row.quartMinutes,
    ...Object.fromEntries(DIAL_BANDS.map((b) => [`dial-${b.toFt}`, b.dialPsi])),
    "weighted-1000": JAR_BANDS[0]!.weightedPsi,
    "weighted-above": JAR_BANDS.at(-1)!.weightedPsi,
    ...Object.fromEntries(
      conditionsOf(row).flatMap((key) =>
        CONDITION_FIGURES.filter((f) => f.of === key).map((f) => [f.key, f.is]),
      ),
    ),
  };
}
