import { formatFraction, fromSi, parseQuantity, unitBySymbol, type Writing } from "../quantity/index.ts";
import type { FigureAsked, FigureUnit } from "../schedule/index.ts";

/** What was typed for a figure: its value in the unit asked for, null for “none”; or what is wrong with it. */
export type TypedFigure = { ok: true; value: number | null } | { ok: false; message: string };

/** What a figure can be at all, in its unit: outside of it something else was typed. Common practice, no source. */
const RANGE: Record<FigureUnit, readonly [low: number, high: number]> = {
  min: [1, 600],
  in: [0.1, 3],
  lb: [5, 25],
  qt: [1, 60],
  cup: [0.25, 16],
  tbsp: [0.25, 32],
  tsp: [0.1, 16],
  "°F": [100, 250],
  yes: [0, 1],
};

/** How each is typed. None is a figure of the tables: whoever types theirs must not be led to ours. */
export const FIGURE_EXAMPLES: Record<FigureUnit, string> = {
  min: "45 min",
  in: "3/4 in",
  lb: "8 lb",
  qt: "5 qt",
  cup: "1 1/2 cups",
  tbsp: "3 tbsp",
  tsp: "1 1/2 tsp",
  "°F": "150 °F",
  yes: "yes",
};

const DIMENSION = {
  in: ["length", "in"],
  lb: ["gaugePressure", "lb"],
  qt: ["volume", "qt"],
  cup: ["volume", "cup"],
  tbsp: ["volume", "tbsp"],
  tsp: ["volume", "tsp"],
  "°F": ["temperature", "°F"],
} as const;

/** Where a guide prints a dash, or nothing. */
const NONE = /^(none|no|n\/a|not given|-+|–|—)$/i;
const MINUTES =
  /^(?:(\d{1,2})\s*(?:h|hr|hrs|hour|hours)\b\.?)?\s*(?:(\d{1,3})\s*(?:m|min|mins|minute|minutes)\b\.?)?$/i;

/**
 * Returns a figure as somebody typed it from their own copy of a guide, in the unit asked for: minutes, inches, pounds
 * of pressure, quarts, cups, spoons, °F; 1 or 0 for yes or no; null for “none”. Or why it cannot be taken, as a
 * sentence: a figure without its unit is never guessed at.
 *
 * @param writing the household's decimal sign
 */
export function readFigure(text: string, asked: FigureAsked, writing: Writing): TypedFigure {
  const trimmed = text.trim();
  const { unit } = asked;
  if (!trimmed)
    return no(
      unit === "yes"
        ? "Answer yes or no, as your copy has it."
        : `Type what your copy says, like ${FIGURE_EXAMPLES[unit]}. If it gives none, type “none”.`,
    );
  if (unit === "yes")
    return /^(yes|no)$/i.test(trimmed)
      ? { ok: true, value: /^yes$/i.test(trimmed) ? 1 : 0 }
      : no("Answer yes or no, as your copy has it.");
  if (NONE.test(trimmed)) {
    if (asked.group === "headspace" || asked.key === "vent")
      return no(`Every process has this. Look again, and type it like ${FIGURE_EXAMPLES[unit]}.`);
    return { ok: true, value: null };
  }
  const read = unit === "min" ? readMinutes(trimmed) : readUnit(trimmed, unit, writing);
  if (!read.ok) return read;
  const [low, high] = RANGE[unit];
  if (read.value === null || (read.value >= low && read.value <= high)) return read;
  return no(
    `${trimmed} is too little or too much: it is from ${formatFraction(low)} to ${formatFraction(high)} ${unit}. Check it against your copy.`,
  );
}

const no = (message: string): TypedFigure => ({ ok: false, message });

const noUnit = (text: string, unit: FigureUnit) =>
  no(`“${text}” has no unit. Type it with the unit your copy prints, like ${FIGURE_EXAMPLES[unit]}.`);

function readMinutes(text: string): TypedFigure {
  if (/^[\d\s./]+$/.test(text)) return noUnit(text, "min");
  const found = MINUTES.exec(text);
  if (!found) return no(`“${text}” does not read as a time. Type it like 45 min or 2 h 10 min.`);
  return { ok: true, value: Number(found[1] ?? 0) * 60 + Number(found[2] ?? 0) };
}

function readUnit(text: string, unit: keyof typeof DIMENSION, writing: Writing): TypedFigure {
  const [dimension, symbol] = DIMENSION[unit];
  const read = parseQuantity(text, dimension, writing);
  if (!read.ok) return no(read.message);
  if (read.assumed) return noUnit(text, unit);
  // Printed figures are eighths, tenths and whole numbers: what is smaller comes from the conversion.
  const value = Math.round(fromSi(read.si, unitBySymbol(dimension, symbol)) * 1e4) / 1e4;
  return { ok: true, value };
}
