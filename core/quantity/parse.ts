import { capital } from "./capital.ts";
import { NUMBER_PATTERN, formatDecimal, readNumber, type DecimalSign } from "./number.ts";
import {
  DEFAULT_UNIT,
  UNITS,
  toSi,
  unitBySymbol,
  type Dimension,
  type Unit,
  type UnitSystem,
} from "./unit.ts";

/** What was typed, understood. `si` is in the dimension's SI unit (kg, m, kPa, °C, L). */
export interface Parsed {
  ok: true;
  si: number;
  /** the unit that was read; the larger one of a compound such as `3 lb 5 oz` */
  unit: Unit;
  /** true when no unit was typed and the household's own was taken */
  assumed: boolean;
}

/** What was typed could not be understood. `message` is a sentence for the field. */
export interface NotParsed {
  ok: false;
  message: string;
}

const NOUN: Record<Dimension, string> = {
  mass: "a weight",
  length: "a length",
  altitude: "an altitude",
  gaugePressure: "a pressure",
  temperature: "a temperature",
  volume: "an amount of liquid",
};

const EXAMPLE: Record<Dimension, Record<UnitSystem, string>> = {
  mass: { us: "3 lb 5 oz", metric: "1.2 kg" },
  length: { us: "1 1/4 in", metric: "32 mm" },
  altitude: { us: "2,300 ft", metric: "700 m" },
  gaugePressure: { us: "11 lb", metric: "76 kPa" },
  temperature: { us: "170 °F", metric: "77 °C" },
  volume: { us: "3 qt", metric: "2.8 L" },
};

const PART = new RegExp(`^(${NUMBER_PATTERN})\\s*([a-z°#"'″′”’]*)\\.?\\s*`, "i");

/** How a household writes: its units, and its sign of decimals. */
export interface Writing {
  units: UnitSystem;
  decimal: DecimalSign;
}

/** What a value can be at all, in the SI unit of its dimension: outside of it a number was read wrongly. */
export interface Plausible {
  low: number;
  high: number;
}

/**
 * Far outside of these a reading is not what was meant. Used only to tell two readings of the same digits apart.
 * Common practice, no source: a large moose, the highest town, a canner that bursts.
 */
const PLAUSIBLE: Record<Dimension, Plausible> = {
  mass: { low: 0.0005, high: 700 },
  length: { low: 0.00005, high: 5 },
  altitude: { low: -457.2, high: 5181.6 },
  gaugePressure: { low: 0, high: 210 },
  temperature: { low: -60, high: 130 },
  volume: { low: 0.0005, high: 250 },
};

interface Part {
  /** every value the digits may have, the household's own way first */
  values: number[];
  word: string;
}

function splitParts(text: string, decimal: DecimalSign): Part[] | null {
  const parts: Part[] = [];
  let rest = text.trim();
  while (rest) {
    const match = rest.match(PART);
    if (!match) return null;
    const values = readNumber(match[1]!, decimal);
    if (values.length === 0) return null;
    parts.push({ values, word: match[2]!.toLowerCase() });
    rest = rest.slice(match[0].length).replace(/^(and|,)\s+/, "");
  }
  return parts.length ? parts : null;
}

/**
 * Which of two values of the same digits is meant, or null when that has to be asked. The household's own way counts only
 * where it makes a plausible amount and the other way does not. Nobody gives an altitude to the thousandth.
 */
function meant(
  values: readonly number[],
  si: (value: number) => number,
  dimension: Dimension,
): number | null {
  const [own, other] = values;
  if (other === undefined) return own!;
  const { low, high } = PLAUSIBLE[dimension];
  const can = (value: number) =>
    si(value) >= low && si(value) <= high && !(dimension === "altitude" && value === Math.min(own!, other));
  const ways = [own!, other].filter(can);
  // `2.300 m` where a point is for decimals: 2.3 m is meant by nobody, and still it is not taken for 2300 m unasked.
  // Where neither makes sense the household's own way is told as it is, and its field says what is wrong with it.
  return ways.length === 0 || (ways.length === 1 && ways[0] === own) ? own! : null;
}

function unitFor(word: string, dimension: Dimension): Unit | undefined {
  return UNITS.find((u) => u.dimension === dimension && u.aliases.includes(word));
}

/**
 * Returns the SI value of a quantity as people type it (`1 1/4 in`, `¾`, `3 lb 5 oz`, `1.2kg`, `2,300 ft`, `11 psi`,
 * `-5 °C`), or why it is none. The one reader of amounts, for every form, list and file.
 *
 * Digits that can be read two ways (`1,250 kg`, `2.300 m`) are refused with both readings. A bare number is read in
 * the household's unit and marked `assumed`, so that the form can show it back. Only an altitude and a temperature may
 * be below zero; whether zero makes sense is for the caller to say.
 * @param dimension what the field measures
 * @param writing the household's units, for a bare number, and its decimal sign; a point where only units are given
 */
export function parseQuantity(
  text: string,
  dimension: Dimension,
  writing: UnitSystem | Writing,
): Parsed | NotParsed {
  const { units: system, decimal } =
    typeof writing === "string" ? { units: writing, decimal: "point" as const } : writing;
  const example = EXAMPLE[dimension][system];
  const trimmed = text.trim();
  if (!trimmed) return { ok: false, message: `Type ${NOUN[dimension]}, for example ${example}.` };
  const negative = /^[-−]/.test(trimmed);
  const parts = splitParts(negative ? trimmed.slice(1) : trimmed, decimal);
  if (!parts) {
    return {
      ok: false,
      message: `“${trimmed}” does not read as ${NOUN[dimension]}. Type it like ${example}.`,
    };
  }
  if (negative && dimension !== "altitude" && dimension !== "temperature") {
    return { ok: false, message: `${capital(NOUN[dimension])} cannot be below zero.` };
  }
  let si = 0;
  let first: Unit | undefined;
  let assumed = false;
  let previousFactor = Infinity;
  for (const [i, part] of parts.entries()) {
    let unit: Unit | undefined;
    if (part.word === "") {
      if (parts.length > 1) {
        return { ok: false, message: `Say which unit each number in “${trimmed}” is in, like ${example}.` };
      }
      unit = unitBySymbol(dimension, DEFAULT_UNIT[dimension][system]);
      assumed = true;
    } else {
      unit = unitFor(part.word, dimension);
    }
    if (!unit) return { ok: false, message: wrongUnit(part.word, dimension, example) };
    if (i > 0 && (unit.factor >= previousFactor || unit.offset !== undefined)) {
      return { ok: false, message: `“${trimmed}” does not read as one amount. Type it like ${example}.` };
    }
    previousFactor = unit.factor;
    first ??= unit;
    const sign = negative ? -1 : 1;
    const value = meant(part.values, (v) => toSi(sign * v, unit), dimension);
    if (value === null) return { ok: false, message: twoWays(trimmed, part.values, unit) };
    si += toSi(sign * value, unit);
  }
  return { ok: true, si, unit: first!, assumed };
}

/** Both readings shown back, each as it can be typed so that it is only one. */
function twoWays(text: string, values: readonly number[], unit: Unit): string {
  const plain = (v: number) => `${formatDecimal(v, 6).replaceAll(",", "")} ${unit.symbol}`;
  const [small, large] = [...values].sort((a, b) => a - b);
  return `“${text}” can be read as ${plain(small!)} or as ${plain(large!)}. Type the one you mean just like that.`;
}

function wrongUnit(word: string, dimension: Dimension, example: string): string {
  const other = UNITS.find((u) => u.aliases.includes(word));
  if (other)
    return `“${word}” measures ${NOUN[other.dimension]}; this is ${NOUN[dimension]}, like ${example}.`;
  return `“${word}” is not a unit known here. Type it like ${example}.`;
}

/** A reading of the same digits in another unit that would be believable. */
export interface LikelyReading {
  si: number;
  unit: Unit;
}

/**
 * Returns the one other unit in which the same digits would be believable, with that value: 76 typed where pounds of
 * pressure are asked was most likely kPa. Null when no unit, or more than one, would make it believable.
 *
 * @param si the value as it was read, in the dimension's SI unit
 * @param read the unit it was read in
 * @param low lowest believable SI value
 * @param high highest believable SI value
 */
export function likelyReading(
  si: number,
  read: Unit,
  dimension: Dimension,
  low: number,
  high: number,
): LikelyReading | null {
  const typed = (si - (read.offset ?? 0)) / read.factor;
  const believable = UNITS.filter((u) => u.dimension === dimension && u.symbol !== read.symbol)
    .map((unit) => ({ unit, si: toSi(typed, unit) }))
    .filter((r) => r.si >= low && r.si <= high);
  return believable.length === 1 ? believable[0]! : null;
}
