import { parseQuantity, type UnitSystem, type Writing } from "../quantity/index.ts";
import { type Ingredient } from "./dish.ts";
import { ROLES, type Role } from "./ingredient.ts";

/**
 * One line of a recipe as written by hand: `3 lb boar, cubed`, `2 qt broth`, `salt`, `½ kg skirret (vegetable)`. A weight
 * is kept in kg, a volume in litres; a line without either has an amount of 0.
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

/** A recipe written line by line. Empty lines are passed over. */
export function readIngredients(text: string, writing: UnitSystem | Writing): Ingredient[] {
  return text.split("\n").flatMap((line) => readIngredient(line, writing) ?? []);
}
