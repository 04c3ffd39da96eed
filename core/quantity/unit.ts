/** The two ways a household may read its figures. Storage is always SI. */
export type UnitSystem = "us" | "metric";

/** What is measured. Each dimension has one SI unit that values are kept in. */
export type Dimension = "mass" | "length" | "altitude" | "gaugePressure" | "temperature" | "volume";

export interface Unit {
  /** symbol shown after a number */
  symbol: string;
  dimension: Dimension;
  /** multiply by this, then add `offset`, to reach the dimension's SI unit */
  factor: number;
  offset?: number;
  /** everything people write for it, lower case */
  aliases: readonly string[];
}

/** Kilograms of an international pound. Exact by definition (NIST SP 811, B.8). */
export const KG_PER_LB = 0.45359237;
/** Meters of an international foot. Exact by definition (NIST SP 811, B.8). */
export const M_PER_FT = 0.3048;
/** Millimeters of an inch. Exact: a twelfth of a foot. */
export const MM_PER_IN = 25.4;
/** Liters of a US liquid quart. Exact: a quarter of a gallon of 231 in³ (NIST SP 811, B.8). */
export const L_PER_QT = 0.946352946;
/** Kilopascals of a pound-force per square inch: follows from the pound, the inch and standard gravity (NIST SP 811, B.8). */
const KPA_PER_PSI = 6.894757293168361;
/** Degrees Fahrenheit of a kelvin, and of the ice point on the Celsius scale. Exact by definition (NIST SP 811, B.8). */
const F_PER_C = 1.8;
const F_AT_0_C = 32;

/**
 * Units understood when typed, by dimension. SI units kept: mass kg, length and altitude m, gauge pressure kPa,
 * temperature °C, volume L. Their factors stand above.
 */
export const UNITS: readonly Unit[] = [
  {
    symbol: "kg",
    dimension: "mass",
    factor: 1,
    aliases: ["kg", "kgs", "kilo", "kilos", "kilogram", "kilograms"],
  },
  { symbol: "g", dimension: "mass", factor: 0.001, aliases: ["g", "gr", "gram", "grams"] },
  { symbol: "lb", dimension: "mass", factor: KG_PER_LB, aliases: ["lb", "lbs", "pound", "pounds", "#"] },
  { symbol: "oz", dimension: "mass", factor: KG_PER_LB / 16, aliases: ["oz", "ounce", "ounces"] },
  { symbol: "m", dimension: "length", factor: 1, aliases: ["m", "meter", "meters", "metre", "metres"] },
  { symbol: "cm", dimension: "length", factor: 0.01, aliases: ["cm"] },
  { symbol: "mm", dimension: "length", factor: 0.001, aliases: ["mm"] },
  {
    symbol: "in",
    dimension: "length",
    factor: MM_PER_IN / 1000,
    aliases: ["in", "inch", "inches", '"', "″", "”"],
  },
  { symbol: "ft", dimension: "length", factor: M_PER_FT, aliases: ["ft", "foot", "feet", "'", "′", "’"] },
  { symbol: "m", dimension: "altitude", factor: 1, aliases: ["m", "meter", "meters", "metre", "metres"] },
  { symbol: "ft", dimension: "altitude", factor: M_PER_FT, aliases: ["ft", "foot", "feet", "'", "′", "’"] },
  { symbol: "kPa", dimension: "gaugePressure", factor: 1, aliases: ["kpa", "kilopascal", "kilopascals"] },
  { symbol: "bar", dimension: "gaugePressure", factor: 100, aliases: ["bar"] },
  {
    symbol: "lb",
    dimension: "gaugePressure",
    factor: KPA_PER_PSI,
    aliases: ["psi", "psig", "lb", "lbs", "pound", "pounds", "#"],
  },
  { symbol: "°C", dimension: "temperature", factor: 1, aliases: ["c", "°c", "celsius"] },
  {
    symbol: "°F",
    dimension: "temperature",
    factor: 1 / F_PER_C,
    offset: -F_AT_0_C / F_PER_C,
    aliases: ["f", "°f", "fahrenheit"],
  },
  { symbol: "L", dimension: "volume", factor: 1, aliases: ["l", "liter", "liters", "litre", "litres"] },
  { symbol: "ml", dimension: "volume", factor: 0.001, aliases: ["ml", "cc"] },
  {
    symbol: "gal",
    dimension: "volume",
    factor: L_PER_QT * 4,
    aliases: ["gal", "gals", "gallon", "gallons"],
  },
  { symbol: "qt", dimension: "volume", factor: L_PER_QT, aliases: ["qt", "qts", "quart", "quarts"] },
  { symbol: "pt", dimension: "volume", factor: L_PER_QT / 2, aliases: ["pt", "pts", "pint", "pints"] },
  { symbol: "cup", dimension: "volume", factor: L_PER_QT / 4, aliases: ["cup", "cups"] },
  {
    symbol: "tbsp",
    dimension: "volume",
    factor: L_PER_QT / 64,
    aliases: ["tbsp", "tablespoon", "tablespoons"],
  },
  { symbol: "tsp", dimension: "volume", factor: L_PER_QT / 192, aliases: ["tsp", "teaspoon", "teaspoons"] },
];

/** The unit a bare number is read in, by dimension and household system. */
export const DEFAULT_UNIT: Record<Dimension, Record<UnitSystem, string>> = {
  mass: { us: "lb", metric: "kg" },
  length: { us: "in", metric: "mm" },
  altitude: { us: "ft", metric: "m" },
  gaugePressure: { us: "lb", metric: "kPa" },
  temperature: { us: "°F", metric: "°C" },
  volume: { us: "qt", metric: "L" },
};

/**
 * Returns the unit of a dimension with this symbol.
 *
 * @throws RangeError when there is none
 */
export function unitBySymbol(dimension: Dimension, symbol: string): Unit {
  const unit = UNITS.find((u) => u.dimension === dimension && u.symbol === symbol);
  if (!unit) throw new RangeError(`no unit ${symbol} for ${dimension}`);
  return unit;
}

/** Returns a value in a unit as a value in the SI unit of its dimension. */
export function toSi(value: number, unit: Unit): number {
  return value * unit.factor + (unit.offset ?? 0);
}

/** Returns an SI value as a value in a unit of the same dimension. */
export function fromSi(si: number, unit: Unit): number {
  return (si - (unit.offset ?? 0)) / unit.factor;
}

/** Returns the pressure in kPa of one in pounds per square inch; see `units` for the factor. */
export function kPaFromPsi(psi: number): number {
  return toSi(psi, unitBySymbol("gaugePressure", "lb"));
}

/** Returns the pressure in pounds per square inch of one in kPa; see `units` for the factor. */
export function psiFromKPa(kPa: number): number {
  return fromSi(kPa, unitBySymbol("gaugePressure", "lb"));
}

/**
 * Returns the feet of a length in meters, rounded to a millionth of a foot, so that a band's edge typed in meters
 * (304.8 m) is the edge and not a rounding error past it.
 */
export function ftFromM(m: number): number {
  return Math.round((m / M_PER_FT) * 1e6) / 1e6;
}

/** Returns the meters of a length in feet. */
export function mFromFt(ft: number): number {
  return ft * M_PER_FT;
}

/** Returns the temperature in °F of one in °C. */
export function fFromC(c: number): number {
  return c * F_PER_C + F_AT_0_C;
}

/** Returns the temperature in °C of one in °F. */
export function cFromF(f: number): number {
  return (f - F_AT_0_C) / F_PER_C;
}

/** Returns the millimeters of a length in inches. */
export function mmFromIn(inches: number): number {
  return inches * MM_PER_IN;
}

/** Returns the inches of a length in millimeters. */
export function inFromMm(mm: number): number {
  return mm / MM_PER_IN;
}
