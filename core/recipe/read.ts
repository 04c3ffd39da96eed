import { parseQuantity, type UnitSystem, type Writing } from "../quantity/index.ts";
import { type Ingredient } from "./dish.ts";
import { ROLES, type Role } from "./ingredient.ts";

/**
 * Returns one ingredient from a line written by hand, such as `3 lb boar, cubed`, `2 qt broth` or `½ kg skirret
 * (vegetable)`: weight in kg, volume in liters, 0 when the line has neither. Null for an empty line.
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
    if (!/\d|[½¼¾⅓⅔]/.test(head) || !/[a-z]/i.test(head)) continue;
    for (const dimension of ["mass", "volume"] as const) {
      const parsed = parseQuantity(head, dimension, writing);
      if (parsed.ok) return { name: words.slice(n).join(" ").replace(/^of /, ""), amount: parsed.si, role };
    }
  }
  return { name: words.join(" "), amount: 0, role };
}

/**
 * Returns the ingredients of a recipe written line by line, without the empty lines; see `readIngredient`.
 *
 * @param writing how the household writes numbers and units
 */
export function readIngredients(text: string, writing: UnitSystem | Writing): Ingredient[] {
  return text.split("\n").flatMap((line) => readIngredient(line, writing) ?? []);
}
