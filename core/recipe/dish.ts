import {
  isCan,
  productName,
  refusalFor,
  shapeOf,
  containerName,
  JAR_ROWS,
  jarMinutes,
  jarRowInForce,
  type ContainerKey,
  type HouseholdRows,
  type Mouth,
  type ProductKey,
} from "../schedule/index.ts";
import { usableMl, type Liquid } from "../pack/index.ts";
import { ingredientKind, isBroth, isOfFish, type IngredientKind, type Role } from "./ingredient.ts";

export const DISHES = ["stew", "soup", "chilli", "broth"] as const;
export type Dish = (typeof DISHES)[number];

export interface Ingredient {
  name: string;
  /** weight, kg; of a liquid, litres; seasonings may have 0 */
  amount: number;
  /** said by the cook where the name is not known; otherwise null */
  role: Role | null;
  /** what it was written in; left out when it was counted, or has no amount */
  dimension?: "mass" | "volume";
  /** how many pieces it was written as, weighed at the usual weight of one; left out when it was weighed */
  pieces?: number;
}

/** An ingredient with what is known of it. */
export interface Known extends Ingredient {
  role: Role;
  kind: IngredientKind | null;
}

export interface DishRefusal {
  /** index of the ingredient it is about; null when it is the dish */
  ingredient: number | null;
  reason: string;
  instead: string[];
  /** true where nothing forbids it and only an amount was not written yet */
  amountMissing?: true;
}

export interface DishAnswer {
  /** the row it is processed by; null when it is refused */
  product: ProductKey | null;
  refusals: DishRefusal[];
  /** why this row, and how things go in */
  why: string[];
  each: Known[];
}

/** Vinegar and ketchup a pint of fish may have, teaspoons. Common practice, no source. */
export const MOST_ADDED_TSP = { vinegar: 1, ketchup: 3 } as const;

/**
 * Returns the row of the process table a dish is processed by, null when it may not be canned, with every refusal and
 * what to do instead.
 *
 * Any fish or shellfish makes it a seafood soup; a stew takes the meat's time, and no vegetable may need longer. An
 * ingredient nobody knows is asked about, never guessed. Source: USDA 2015, from memory.
 * @param ingredients weights in kg, liquids in liters, ≥ 0
 */
export function dishRow(dish: Dish, ingredients: readonly Ingredient[]): DishAnswer {
  const each = ingredients.map((i): Known => {
    const kind = ingredientKind(i.name);
    // A known name decides: nobody can call flour a vegetable.
    return { ...i, kind, role: kind?.role ?? i.role ?? "refused" };
  });
  const refusals = each.flatMap((i, index) => ingredientRefusal(i, index, ingredients[index]!.role));
  const has = (role: Role) => each.some((i) => i.role === role);
  if (each.length === 0)
    refusals.push({
      ingredient: null,
      reason: "Nothing is in it yet.",
      instead: ["Add what goes in."],
      amountMissing: true,
    });
  else if (refusals.length === 0) refusals.push(...wholeRefusal(dish, each));
  if (refusals.length > 0) return { product: null, refusals, why: [], each };
  const fish = isWithFish(each);
  const product = rowOf(dish, fish);
  const why = [`Processed as “${productName(product)}”.`];
  if (fish)
    why.push("Any fish or shellfish makes the whole of it the seafood row, the longest of the soups.");
  if (product === "stewed-meat") why.push("The meat is the slowest part, so its own time governs all of it.");
  if (product === "broth") why.push("Clear broth only: strained, and the fat lifted off.");
  for (const i of each) if (i.kind?.prepare) why.push(`${i.name}: ${i.kind.prepare}`);
  if (has("seasoning")) why.push("Season lightly: flavors grow in the jar. Seasoning changes no time.");
  return { product, refusals: [], why, each };
}

function rowOf(dish: Dish, fish: boolean): ProductKey {
  if (fish) return "soup-seafood";
  return { stew: "stewed-meat", soup: "soup", chilli: "chile-con-carne", broth: "broth" }[dish] as ProductKey;
}

function ingredientRefusal(i: Known, index: number, said: Role | null): DishRefusal[] {
  if (i.kind?.refusal) {
    const { reason, instead } = refusalFor(i.kind.refusal)!;
    return [{ ingredient: index, reason: `${i.name}: ${reason}`, instead: [...instead] }];
  }
  if (!i.kind && !said)
    return [
      {
        ingredient: index,
        reason: `“${i.name}” is not known here, so no row can be named for it.`,
        instead: [
          "Say what it is: meat, bird, fish, vegetable, beans, liquid or seasoning.",
          "Or leave it out.",
        ],
      },
    ];
  if (i.role === "refused")
    return [{ ingredient: index, reason: `${i.name} may not be canned.`, instead: ["Leave it out."] }];
  if (!(i.amount >= 0) || (i.amount === 0 && i.role !== "seasoning"))
    return [
      {
        ingredient: index,
        reason: `How much ${i.name.toLowerCase()}?`,
        instead: ["Give a weight, or a volume for a liquid."],
        amountMissing: true,
      },
    ];
  return [];
}

function wholeRefusal(dish: Dish, each: readonly Known[]): DishRefusal[] {
  const has = (role: Role) => each.some((i) => i.role === role);
  const solids = each.filter((i) => isSolid(i.role));
  const about = (reason: string, ...instead: string[]): DishRefusal[] => [
    { ingredient: null, reason, instead },
  ];
  if (dish === "broth" && each.some((i) => isOfFish(i.name)))
    return about(
      "There is no tested process for fish stock by itself: the broth row is for meat and birds.",
      "Freeze it.",
      "Make it a soup: half solids, half liquid.",
    );
  if (dish === "broth" && solids.length > 0)
    return about(
      "Broth is canned clear: with solids in it, it is a soup and takes a soup's time.",
      "Call it a soup.",
    );
  if (!each.some((i) => liquidPart(i) > 0))
    return about(
      "There is no liquid in it, and packed solid it would heat too slowly.",
      "Add broth or water.",
    );
  if (dish !== "broth" && !has("meat") && !has("bird") && !has("fish") && !has("beans") && !has("vegetable"))
    return about("There is only liquid in it.", "Call it broth.");
  if (dish === "chilli" && isWithFish(each))
    return about("There is no tested process for chili with fish.", "Make it a soup with fish.");
  if (dish === "chilli" && !(has("meat") && has("beans")))
    return about(
      "The chili row is for meat with beans and tomato; this lacks the meat or the beans.",
      "Call it a stew or a soup.",
    );
  if (dish === "stew" && isWithFish(each))
    return about("There is no tested process for a fish stew.", "Make it a soup: half solids, half liquid.");
  if (dish === "stew" && !has("meat") && !has("bird"))
    return about("A stew's time is its meat's, and there is no meat in it.", "Call it a soup.");
  return [];
}

/** Tomatoes in their own juice. */
const IN_JUICE =
  /\b(?:crushed|diced|chopped|canned|stewed)\b.*\btomato|\btomato\w*,? (?:crushed|diced|chopped|canned|stewed)\b/i;

/**
 * Returns which part of an ingredient counts as liquid beside solids, 0 to 1: all of a liquid, half of crushed or diced
 * tomatoes, nothing of other solids. Common practice, no source.
 */
export function liquidPart({ name, role }: Pick<Known, "name" | "role">): number {
  if (role === "liquid") return 1;
  return isSolid(role) && IN_JUICE.test(name) ? 0.5 : 0;
}

/** Fish or shellfish is in it, or stock of them. */
const isWithFish = (each: readonly Known[]) => each.some((i) => i.role === "fish" || isOfFish(i.name));

const isMeat = (role: Role) => role === "meat" || role === "bird" || role === "fish";
const isSolid = (role: Role) => role !== "liquid" && role !== "seasoning" && role !== "refused";

/**
 * Returns why a container cannot take a dish, as a sentence: it has no row, or a vegetable has no process in that
 * size. Null when it can.
 *
 * Source: USDA 2015, Guide 4 for vegetables, from memory.
 * @param rows rows the household compared with its own guide
 */
export function whyNotIn(answer: DishAnswer, container: ContainerKey, rows: HouseholdRows): string | null {
  if (!answer.product) return answer.refusals[0]?.reason ?? "It may not be canned.";
  if (isCan(container)) return "There is no tested process for mixed dishes in cans.";
  const inForce = jarRowInForce(answer.product, rows)!;
  const minutes = jarMinutes(inForce, container);
  if (minutes === null)
    return `There is no tested process for ${inForce.row.name.toLowerCase()} in a ${containerName(container)}.`;
  if (answer.product !== "stewed-meat") return null;
  const large = container === "jar-quart" || container === "jar-pint-and-half";
  for (const i of answer.each) {
    const own = i.kind?.own && (large ? i.kind.own.quart : i.kind.own.pint);
    if (own === null) return `${i.name} has no tested process in a ${containerName(container)}: use pints.`;
    if (own !== undefined && own > minutes)
      return `${i.name} takes ${own} minutes by itself, longer than the meat's ${minutes}: leave it out.`;
  }
  return null;
}

/** What goes into each jar of a dish when it is shared out evenly. */
export interface DishShare {
  jars: number;
  /** solids in each jar, kg, and how high they stand, as a part of the jar's room */
  solidsKgEach: number;
  solidsPart: number;
  liquidLitresEach: number;
  /** of meat, bird or fish, raw, kg */
  meatKgEach: number;
  /** liquid to add to the pot so that every jar gets its part, litres */
  addLiquidLitres: number;
  /** what does not fill another jar, litres of the dish */
  leftLitres: number;
  /** litres of the dish in each jar, below the headspace */
  litresEach: number;
}

/** Solids and liquids of a dish take up about a litre a kilogram. From memory. */
const KG_PER_LITRE = 1;

/** Least liquid beside solids, by volume: a soup is half liquid (USDA 2015, Guide 4, from memory); others are just covered, common practice. */
const LEAST_LIQUID: Record<Dish, number> = { soup: 1, stew: 0.35, chilli: 0.35, broth: 0 };

/**
 * Returns how a dish is shared evenly between full jars: how many, and in each the solids, kg, and the liquid, liters;
 * a soup is half liquid. `addLiquidLitres` is what is to be added to the pot.
 *
 * Source: USDA 2015, Guide 4 (half liquid), from memory; other dishes are common practice, no source.
 * @param mouth of the jar; null for a regular one
 * @throws RangeError when the dish has neither solids nor liquid
 */
export function divideDish(
  dish: Dish,
  answer: DishAnswer,
  container: ContainerKey,
  mouth: Mouth | null,
): DishShare {
  const sum = (part: (i: Known) => number) => answer.each.reduce((s, i) => s + i.amount * part(i), 0);
  const solidsKg = sum((i) => (isSolid(i.role) ? 1 - liquidPart(i) : 0));
  const meatKg = sum((i) => Number(isMeat(i.role)));
  const given = sum(liquidPart);
  const least = LEAST_LIQUID[answer.product === "soup-seafood" ? "soup" : dish] * (solidsKg / KG_PER_LITRE);
  const liquid = Math.max(given, least);
  const litres = solidsKg / KG_PER_LITRE + liquid;
  if (!(litres > 0)) throw new RangeError("a dish is more than nothing");
  const headspaceIn = JAR_ROWS.find((r) => r.key === answer.product)!.headspaceIn;
  const litresEach = usableMl(shapeOf(container, mouth), headspaceIn) / 1000;
  const jars = Math.floor(litres / litresEach + 1e-9);
  const part = litresEach / litres;
  return {
    jars,
    solidsKgEach: solidsKg * part,
    solidsPart: solidsKg / KG_PER_LITRE / litres,
    liquidLitresEach: liquid * part,
    meatKgEach: meatKg * part,
    addLiquidLitres: Math.max(0, liquid - given),
    leftLitres: Math.max(0, litres - jars * litresEach),
    litresEach,
  };
}

/** One ingredient's part of a container. */
export interface JarPart {
  name: string;
  role: Role;
  /** weight, kg; of a liquid its volume, liters; 0 for a seasoning without an amount */
  amount: number;
}

/** What goes into one container of a dish, in the order it goes in. */
export interface DishJar {
  /** meat first, then the others as the recipe has them */
  solids: JarPart[];
  liquids: JarPart[];
  seasonings: JarPart[];
  share: DishShare;
}

/** How the liquid that a pot lacks is called. */
const TOPPED_UP = "Broth or water";

/**
 * Returns what goes into one container of a dish when it is shared out evenly, ingredient by ingredient; liquid that
 * the pot lacks is a part of its own.
 *
 * @param answer of `dishRow`, with a row
 * @param mouth of the jar; null for a regular one
 * @throws RangeError when the dish has neither solids nor liquid
 */
export function jarOfDish(
  dish: Dish,
  answer: DishAnswer,
  container: ContainerKey,
  mouth: Mouth | null,
): DishJar {
  const share = divideDish(dish, answer, container, mouth);
  const part = share.litresEach / potLitres(share);
  const parts = (of: (role: Role) => boolean): JarPart[] =>
    answer.each
      .filter((i) => of(i.role))
      .map(({ name, role, amount }) => ({ name, role, amount: amount * part }));
  const added = share.addLiquidLitres * part;
  return {
    solids: parts(isSolid).sort((a, b) => Number(isMeat(b.role)) - Number(isMeat(a.role))),
    liquids: [
      ...parts((role) => role === "liquid"),
      ...(added > 1e-9 ? [{ name: TOPPED_UP, role: "liquid" as const, amount: added }] : []),
    ],
    seasonings: parts((role) => role === "seasoning"),
    share,
  };
}

/** Litres of the whole dish, with what is added to the pot. */
const potLitres = (share: DishShare) => share.jars * share.litresEach + share.leftLitres;

/** Returns what a dish is covered with, by the most of its liquids. */
export function liquidOfDish(answer: DishAnswer): Liquid {
  const most = answer.each
    .filter((i) => liquidPart(i) > 0)
    .reduce<Known | null>(
      (a, b) => (a && a.amount * liquidPart(a) >= b.amount * liquidPart(b) ? a : b),
      null,
    );
  if (!most) return "water";
  if (/tomato/i.test(most.name)) return "tomato juice";
  return isBroth(most.name) ? "broth" : "water";
}

/**
 * Returns the ingredients of the same dish scaled so that it fills a number of jars, to four figures; unchanged when
 * the dish may not be canned.
 *
 * @param ingredients weights in kg, liquids in liters, ≥ 0
 * @param mouth of the jar; null for a regular one
 * @param jars whole, ≥ 1
 * @throws RangeError when the dish has neither solids nor liquid
 */
export function scaleDish(
  dish: Dish,
  ingredients: readonly Ingredient[],
  container: ContainerKey,
  mouth: Mouth | null,
  jars: number,
): Ingredient[] {
  const answer = dishRow(dish, ingredients);
  if (!answer.product) return [...ingredients];
  const one = divideDish(dish, answer, container, mouth);
  const factor = (jars * one.litresEach) / potLitres(one);
  return ingredients.map((i) => ({ ...i, amount: Number((i.amount * factor).toPrecision(4)) }));
}
