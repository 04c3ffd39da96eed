import { parseNumber, parseQuantity, type UnitSystem, type Writing } from "../quantity/index.ts";
import type { Ingredient } from "./dish.ts";
import { usualPieceKg } from "./piece.ts";
import { ROLES, type Role } from "./ingredient.ts";

/**
 * Returns one ingredient from a line written by hand, such as `3 lb boar, cubed`, `2 qt broth`, `2 onions` or `½ kg
 * skirret (vegetable)`: weight in kg, volume in liters, pieces at their usual weight (common practice, no source), 0 when
 * the line has none of these. Null for an empty line.
 *
 * @param writing how the household writes numbers and units
 */
export function readIngredient(line: string, writing: UnitSystem | Writing): Ingredient | null {
  const text = line.trim().replace(/^[-•*]\s*/, "");
  if (text === "") return null;
  const said = /\(([a-z]+)\)\s*$/i.exec(text);
  const role = ROLES.find((r): r is Role => r !== "refused" && r === said?.[1]?.toLowerCase()) ?? null;
  const words = (role ? text.slice(0, said!.index) : text).trim().split(/\s+/);
  // The longest beginning that reads as a quantity with its unit: `1 1/2 lb`, `2 kg`, `500g`.
  for (let n = Math.min(4, words.length - 1); n > 0; n--) {
    const head = words.slice(0, n).join(" ");
    if (!/\p{N}/u.test(head) || !/[a-z]/i.test(head)) continue;
    for (const dimension of ["mass", "volume"] as const) {
      const parsed = parseQuantity(head, dimension, writing);
      if (parsed.ok)
        return { name: words.slice(n).join(" ").replace(/^of /, ""), amount: parsed.si, role, dimension };
    }
  }
  return counted(words, writing, role) ?? { name: words.join(" "), amount: 0, role };
}

/** `2 onions`, `1/2 onion`: by the usual weight of a piece; null when it does not begin with a number or has none. */
function counted(
  words: readonly string[],
  writing: UnitSystem | Writing,
  role: Role | null,
): Ingredient | null {
  const decimal = typeof writing === "string" ? "point" : writing.decimal;
  for (const n of [2, 1]) {
    const pieces = words.length > n ? parseNumber(words.slice(0, n).join(" "), decimal) : null;
    if (pieces === null || !(pieces > 0)) continue;
    const name = words.slice(n).join(" ");
    const kg = usualPieceKg(name);
    if (kg !== null) return { name, amount: pieces * kg, role, pieces };
  }
  return null;
}

/**
 * Returns the ingredients of a recipe written line by line, without the empty lines; see `readIngredient`.
 *
 * @param writing how the household writes numbers and units
 */
export function readIngredients(text: string, writing: UnitSystem | Writing): Ingredient[] {
  return text.split("\n").flatMap((line) => readIngredient(line, writing) ?? []);
}
