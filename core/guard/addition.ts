import { capital, toSi, unitBySymbol, type UnitSystem, type Writing } from "../quantity/index.ts";
import { ingredientKind, readIngredient, MOST_ADDED_TSP, type Ingredient } from "../recipe/index.ts";
import { refusalFor, shapeOf, type ContainerKey } from "../schedule/index.ts";

/** Why something may not go into a container beside the food and the salt. */
export interface AdditionRefusal {
  message: string;
  /** true when somebody may look again and confirm it: an amount that is odd, not one that changes the food */
  ask: boolean;
}

const TSP = unitBySymbol("volume", "tsp");
/** More than this of one seasoning in a pint is no seasoning, litres or kg: a tablespoon. Common practice, no source. */
const MOST_A_PINT = toSi(3, TSP);
/** Units do not divide evenly: what is exactly the most may come out a hair over it. */
const ROUNDING = 1 + 1e-9;
const MOST_WORDS = { vinegar: "1 tsp vinegar", ketchup: "1 tbsp ketchup" } as const;

/**
 * Returns the single additions in a line somebody wrote, split at commas, semicolons, `+`, `&`, `and`, `with`, `plus`
 * and new lines; empty when there are none. A comma before a digit is a decimal sign.
 */
export function splitAdditions(text: string): string[] {
  return text
    .split(/[;\n+&]|,(?!\d)|\band\b|\bwith\b|\bplus\b/i)
    .map((part) => part.trim())
    .filter(Boolean);
}

/**
 * Returns why something written as seasoning or addition may not go into a container of a plain pack; null when it
 * may. It passes the same refusals as a dish's ingredients: flour is flour wherever it is written.
 *
 * Sources: what may not be canned, USDA 2015, from memory; amounts are common practice, no source.
 * @param text as written, such as `1 tsp vinegar, bay`
 * @param writing how the household writes numbers and units
 * @param fish a pack of fish, which has limits for vinegar and ketchup
 */
export function whyNotAdded(
  text: string | null | undefined,
  writing: UnitSystem | Writing,
  container: ContainerKey,
  fish: boolean,
): AdditionRefusal | null {
  const items = splitAdditions(text ?? "").flatMap((part) => readIngredient(part, writing) ?? []);
  const sour = fish ? tooSour(items, container) : null;
  if (sour) return sour;
  for (const item of items) {
    const no = whyNotOne(item, container);
    if (no) return no;
  }
  return null;
}

/** Vinegar and ketchup with fish, all kinds of each put together. */
function tooSour(items: readonly Ingredient[], container: ContainerKey): AdditionRefusal | null {
  for (const [name, most] of Object.entries(MOST_ADDED_TSP)) {
    const all = items.filter((i) => i.name.toLowerCase().includes(name)).map((i) => i.amount);
    if (all.reduce((a, b) => a + b, 0) > toSi(most, TSP) * pintsIn(container) * ROUNDING)
      return {
        message: `At most ${MOST_WORDS[name as keyof typeof MOST_ADDED_TSP]} in a pint of fish, less in smaller jars.`,
        ask: false,
      };
  }
  return null;
}

const pintsIn = (container: ContainerKey) => shapeOf(container).nominalMl / shapeOf("jar-pint").nominalMl;

function whyNotOne(item: Ingredient, container: ContainerKey): AdditionRefusal | null {
  const refused = (message: string): AdditionRefusal => ({ message, ask: false });
  const kind = ingredientKind(item.name);
  const refusal = kind?.refusal ? refusalFor(kind.refusal)! : null;
  if (refusal) return refused(`${capital(item.name)}: ${refusal.reason} ${refusal.instead.join(" ")}`);
  const role = kind?.role ?? item.role;
  if (!role)
    return refused(
      `“${item.name}” is not known here as a seasoning. Leave it out, or write what it is: “${item.name} (seasoning)”.`,
    );
  if (role === "liquid")
    return refused(`${capital(item.name)} is a liquid. Choose it as the liquid of this pack instead.`);
  if (role !== "seasoning")
    return refused(
      `${capital(item.name)} is not a seasoning, and this process is for the plain food. Leave it out, or make a recipe of it under Mixed dishes.`,
    );
  if (item.amount > MOST_A_PINT * pintsIn(container) * ROUNDING)
    return {
      message: `That is much ${item.name.toLowerCase()} for one container: a seasoning is at most a tablespoon a pint. Is it right?`,
      ask: true,
    };
  return null;
}

/**
 * Returns the additions in a line that the published directions for fish do not have: ketchup and vinegar, as written.
 * Common practice, no source.
 */
export function addedToFish(text: string | null | undefined): string[] {
  return splitAdditions(text ?? "").filter((part) => /\b(ketchup|vinegar)\b/i.test(part));
}
