import { formatFraction, parseNumber, type Writing } from "../quantity/index.ts";
import type { ContainerKey, HouseholdRows, Mouth } from "../schedule/index.ts";
import { dishRow, divideDish, whyNotIn, type Dish, type Ingredient } from "./dish.ts";
import { ingredientKind } from "./ingredient.ts";
import { readIngredient, readIngredients } from "./read.ts";

/** How a dish is to be made larger or smaller: by a factor, or to fill so many jars. */
export type Scale = { factor: number } | { jars: number; of: string };

/** Least and most a dish is scaled by in one go. */
const LEAST = 0.05;
const MOST = 50;

/**
 * Returns what was written of how much to make, such as `½`, `2`, `x 3`, `10 pints` or `for 10 pints`: a factor, 0.05 to
 * 50, or how many jars, 1 to 200, of what they are called. Null when it cannot be read or is outside.
 *
 * @param writing how the household writes numbers
 */
export function readScale(text: string, writing: Writing): Scale | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/^(?:for|make|times|[x×*])\s*/, "")
    .replace(/\s*(?:times|[x×])$/, "");
  const words = plain.split(/\s+/);
  for (const n of [2, 1]) {
    const value = parseNumber(words.slice(0, n).join(" "), writing.decimal);
    if (value === null) continue;
    const of = words.slice(n).join(" ");
    if (of === "") return value >= LEAST && value <= MOST ? { factor: value } : null;
    return Number.isInteger(value) && value >= 1 && value <= 200 ? { jars: value, of } : null;
  }
  return null;
}

/**
 * Returns a line of a recipe with its amount times a factor, written so that it reads back as that; a line without an
 * amount as it is.
 *
 * @param factor > 0
 * @param writing how the household writes numbers and units
 */
export function scaleLine(line: string, factor: number, writing: Writing): string {
  const i = readIngredient(line, writing);
  if (!i || i.amount === 0) return line.trim();
  if (i.pieces === undefined) return writeIngredient({ ...i, amount: i.amount * factor }, writing);
  const pieces = eighths(i.pieces * factor);
  return `${formatFraction(pieces)} ${inNumber(i.name, pieces)}${i.role ? ` (${i.role})` : ""}`;
}

/**
 * Returns an ingredient as a line of a recipe that reads back as that much of it: by weight, a liquid by volume.
 *
 * @param writing how the household writes numbers and units
 */
export function writeIngredient({ name, amount, role, dimension }: Ingredient, writing: Writing): string {
  const poured =
    (dimension ?? (ingredientKind(name)?.role === "liquid" || role === "liquid" ? "volume" : "mass")) ===
    "volume";
  const text = amount === 0 ? "" : poured ? volume(amount, writing) : mass(amount, writing);
  return `${text} ${name}${role ? ` (${role})` : ""}`.trim();
}

/** Amounts are written rounded: so often a little more is tried until the jars are full. */
const TRIES = 100;

/**
 * Returns the lines of a recipe made to fill so many jars, and little more; null when the dish may not go into them.
 *
 * @param jars whole, ≥ 1
 * @param mouth of the jar; null for a regular one
 * @param writing how the household writes numbers and units
 * @param rows rows the household compared with its own guide
 */
export function scaleToJars(
  lines: readonly string[],
  dish: Dish,
  jars: number,
  jar: { container: ContainerKey; mouth: Mouth | null },
  writing: Writing,
  rows: HouseholdRows,
): string[] | null {
  const shared = (of: readonly string[]) => {
    const answer = dishRow(dish, readIngredients(of.join("\n"), writing));
    return whyNotIn(answer, jar.container, rows) === null
      ? divideDish(dish, answer, jar.container, jar.mouth)
      : null;
  };
  const now = shared(lines);
  if (!now) return null;
  const factor = (jars * now.litresEach) / (now.jars * now.litresEach + now.leftLitres);
  for (let i = 0; ; i++) {
    const scaled = lines.map((line) => scaleLine(line, factor * 1.005 ** i, writing));
    if (i === TRIES || (shared(scaled)?.jars ?? 0) >= jars) return scaled;
  }
}

/** What is counted, as one of it or as several. */
const inNumber = (name: string, n: number) =>
  name.replace(
    /\b(onion|carrot|stalk|rib|clove|pepper|potato|tomato)(?:e?s)?\b/i,
    (_, one: string) => one + (n <= 1 ? "" : /o$/i.test(one) ? "es" : "s"),
  );

/** To the nearest eighth, and never to none. */
const eighths = (n: number) => Math.max(0.125, Math.round(n * 8) / 8);

const OZ_KG = 0.028349523125;
const TSP_L = 0.00492892159375;
const CUP_L = 48 * TSP_L;

/** Three figures or more, with the household's decimal sign. */
function figures(n: number, { decimal = "point" }: Writing): string {
  const text = String(Number(n.toPrecision(n >= 100 ? 4 : 3)));
  return decimal === "comma" ? text.replace(".", ",") : text;
}

function mass(kg: number, writing: Writing): string {
  if (writing.units === "metric")
    return kg < 1 ? `${figures(kg * 1000, writing)} g` : `${figures(kg, writing)} kg`;
  return kg < 16 * OZ_KG ? `${figures(kg / OZ_KG, writing)} oz` : `${figures(kg / OZ_KG / 16, writing)} lb`;
}

function volume(litres: number, writing: Writing): string {
  if (writing.units === "metric")
    return litres < 1 ? `${figures(litres * 1000, writing)} ml` : `${figures(litres, writing)} l`;
  if (litres < CUP_L / 4) return `${formatFraction(eighths(litres / TSP_L))} tsp`;
  return litres < 8 * CUP_L
    ? `${figures(litres / CUP_L, writing)} cups`
    : `${figures(litres / CUP_L / 4, writing)} qt`;
}
