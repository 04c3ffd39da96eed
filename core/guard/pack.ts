import { capital, formatFraction, formatMass, formatVolume, type Writing } from "../quantity/index.ts";
import {
  LIQUIDS,
  LIQUID_KG_L,
  contentsMostKg,
  dishEstimate,
  fillEstimate,
  judgeFill,
  mostSaltTsp,
  type FillEstimate,
} from "../pack/index.ts";
import {
  DISH_PRODUCTS,
  isCan,
  refusalFor,
  rowOf,
  shapeOf,
  unanswered,
  whyNotAccepted,
  type ContainerKey,
  type Mouth,
  type PackMethod,
  type ProductKey,
  type ScheduledProcess,
} from "../schedule/index.ts";
import { ingredientKind, isOfFish } from "../recipe/index.ts";
import { productsFor, type LotForm, type SpeciesGroup } from "../species/index.ts";
import { SCALE_SLACK_KG, type Treatment } from "../lot/index.ts";
import { whyNotAdded } from "./addition.ts";

/** What is about to be filled, as somebody says it. */
export interface PackToFill {
  product: ProductKey;
  method: PackMethod;
  container: ContainerKey;
  mouth: Mouth | null;
  /** containers that are filled, or will be; whole, 1 to 200 */
  count: number;
  /** food in all of them together, kg; null when nobody weighed it */
  massKg: number | null;
  liquid: string;
  /** where its broth comes from; null or left out when it has none, or nobody said */
  broth?: BrothFrom | null | undefined;
  saltTspEach: number;
  /** seasoning, as written; null for none */
  additions: string | null;
  /** the dish it is, by its recipe; null for a plain pack */
  dish: DishToFill | null;
  /** the process it would be held to */
  process: ScheduledProcess;
  /** conditions of that process a person confirmed */
  confirmed: readonly string[];
  /** somebody looked again: an odd weight, or much of a seasoning, is so */
  sure: boolean;
  /** some lids or ends were used before; not, when left out */
  reusedLids?: boolean | undefined;
}

/** Where the broth that covers food comes from: a lot of the household's, or bought, by name. */
export type BrothFrom =
  | { from: "lot"; code: string; form: LotForm; ofFish: boolean; neededKg: number; leftKg: number }
  | { from: "bought"; name: string };

/** A mixed dish, as its recipe shares it out into such containers. */
export interface DishToFill {
  name: string;
  /** the row it is processed by */
  product: ProductKey;
  /** meat, bird or fish in one container, raw, kg, ≥ 0 */
  meatKgEach: number;
}

/** The lot it is filled from. */
export interface FoodOfLot {
  code: string;
  group: SpeciesGroup;
  form: LotForm;
  treatments: readonly Treatment[];
  /** what the part is called: `Shoulder`; as somebody wrote it */
  part?: string | undefined;
}

/** What the household has, that a pack is judged by. */
export interface PackingHousehold {
  writing: Writing;
  /** rows of common practice that were accepted */
  accepted: readonly ProductKey[];
  /** what one such container takes by the household's own packs; the common figure when left out */
  expected?: FillEstimate;
}

/** Why a pack may not be filled so: the field to blame, and a sentence. `ask`: it may, once somebody has looked again. */
export interface PackRefusal {
  field:
    | "product"
    | "method"
    | "container"
    | "count"
    | "massKg"
    | "liquid"
    | "broth"
    | "salt"
    | "additions"
    | "reusedLids"
    | "accept"
    | "met";
  message: string;
  ask: boolean;
}

/** Hot packs whose own juice does not cover them: the published directions pour hot liquid on. Source: USDA 2015, Guide 5, from memory. */
const COVERED_HOT: readonly ProductKey[] = [
  "red-meat-pieces",
  "red-meat-ground",
  "poultry-rabbit-boneless",
  "poultry-rabbit-bone-in",
  "tuna",
  "clams",
  "crab",
  "oysters",
  "can-game",
];

/** A jar weighed to the pound and a dish ladled out: so much more than its share is nobody's fault, kg. Common practice, no source. */
const LADLE_KG = 0.02;
/** Raw food that is cooked as it is packed hot weighs up to so much more than what ends up in the jar. Common practice, no source. */
const COOKS_DOWN = 1.6;
/** Jars differ from the typical measures by up to this part. Common practice, no source. */
const JARS_DIFFER = 1.15;

/**
 * Returns the field to correct and why, when a pack may not be filled this way; null when it may. The one guard, asked
 * by the form, the packing bench, the plan, reprocessing and programs.
 *
 * Refused: a row that is not for this food, and parts that may not be canned; a dish's row without its recipe, without
 * its liquid, or with more meat than the recipe has for one; broth nobody can name, of fish on meat, or more than there is;
 * cooked food as a raw pack; a hot pack without liquid; more than the containers can hold; common practice nobody accepted;
 * a condition nobody confirmed; salt or seasoning past flavor; a used end. `ask` is true for what may be confirmed
 * instead: an odd weight.
 *
 * Sources: USDA 2015, from memory; limits of weight are common practice, no source.
 * @param pack weights in kg, count whole, 1 to 200
 */
export function whyNotPack(pack: PackToFill, lot: FoodOfLot, home: PackingHousehold): PackRefusal | null {
  const no = (field: PackRefusal["field"], message: string, ask = false): PackRefusal => ({
    field,
    message,
    ask,
  });
  if (!(Number.isInteger(pack.count) && pack.count >= 1 && pack.count <= 200))
    return no("count", "Fill from 1 to 200 containers at a time.");
  const food = whyNotFood(pack, lot);
  if (food) return no(food[0], food[1]);
  if (!(LIQUIDS as readonly string[]).includes(pack.liquid))
    return no("liquid", "Choose one of the liquids.");
  if (pack.method === "hot" && pack.liquid === "none" && COVERED_HOT.includes(pack.product))
    return no("liquid", "A hot pack is covered with hot liquid: choose water, broth or tomato juice.");
  if (pack.dish && pack.liquid === "none" && pack.product !== "broth")
    return no("liquid", "A mixed dish goes in with its liquid: choose water, broth or tomato juice.");
  const broth =
    pack.liquid === "broth" && pack.product !== "broth"
      ? whyNotBroth(pack.broth, pack.product, home.writing)
      : null;
  if (broth) return no("broth", broth);
  const most = mostSaltTsp(pack.container);
  if (!(pack.saltTspEach >= 0 && pack.saltTspEach <= most))
    return no("salt", `Salt is for flavor: at most ${formatFraction(most)} tsp in one of these.`);
  if (pack.reusedLids && isCan(pack.container))
    return no("reusedLids", "An end is seamed on once: a can is closed with a new one.");
  const added = whyNotAdded(pack.additions, home.writing, pack.container, isFishRow(pack.product));
  if (added && !(added.ask && pack.sure)) return no("additions", added.message, added.ask);
  const notAccepted = whyNotAccepted(pack.process, home.accepted);
  if (notAccepted) return no("accept", notAccepted);
  const missing = unanswered(pack.process.conditions, "pack", pack.confirmed);
  if (missing.length > 0)
    return no(
      "met",
      `Confirm first: ${missing.map((c) => c.confirm).join(" ")} Without it there is no process.`,
    );
  return whyNotWeight(pack, lot, home);
}

/** What covers food goes wherever the food goes: a jar is recalled by its broth too, and so it is said which broth. */
function whyNotBroth(
  broth: BrothFrom | null | undefined,
  product: ProductKey,
  { units }: Writing,
): string | null {
  if (!broth) return "Say which broth: a lot of yours, or what was bought, by its name.";
  const ofFish = broth.from === "lot" ? broth.ofFish : isOfFish(broth.name);
  if (ofFish && !isFishRow(product) && product !== "soup-seafood")
    return "Fish stock makes it food with fish, which takes longer than this process. Choose another broth, or water.";
  if (broth.from === "bought") {
    const kind = ingredientKind(broth.name);
    if (!kind?.refusal) return null;
    const { reason, instead } = refusalFor(kind.refusal)!;
    return `${capital(broth.name)}: ${reason} ${instead.join(" ")}`;
  }
  if (broth.form !== "broth") return `Lot ${broth.code} is no broth.`;
  if (broth.neededKg <= broth.leftKg + SCALE_SLACK_KG) return null;
  const volume = (kg: number) => formatVolume(kg / LIQUID_KG_L, units);
  return `Lot ${broth.code} holds ${volume(broth.leftKg)}, and these take about ${volume(broth.neededKg)}. Choose another broth or water, or fill fewer.`;
}

/** Returns whether a product is fish or shellfish, for which vinegar and ketchup have limits. */
export function isFishRow(product: ProductKey): boolean {
  return /fish|tuna|clams|crab|oysters/.test(product);
}

function whyNotFood(pack: PackToFill, lot: FoodOfLot): ["product" | "method", string] | null {
  const name = rowOf(pack.product).name;
  const dish = DISH_PRODUCTS.includes(pack.product);
  if (dish ? !dishTakes(pack.product, lot) : !productsFor(lot.group, lot.form).includes(pack.product))
    return ["product", `“${name}” is not the process for lot ${lot.code}. Choose one that is for this food.`];
  if (dish && pack.dish?.product !== pack.product)
    return [
      "product",
      `“${name}” is for a mixed dish, not for plain meat. Make the recipe under Mixed dishes and plan it from there.`,
    ];
  if (!dish && pack.dish)
    return ["product", `The recipe is processed as “${rowOf(pack.dish.product).name}”, not as “${name}”.`];
  if (pack.dish && lot.form !== "broth" && !(pack.dish.meatKgEach > 0))
    return [
      "product",
      `${pack.dish.name} has no meat in its recipe, so nothing of lot ${lot.code} goes into it.`,
    ];
  const kind = pack.product === "broth" ? null : ingredientKind(lot.part ?? "");
  if (kind?.refusal) {
    const { reason, instead } = refusalFor(kind.refusal)!;
    return ["product", `${capital(lot.part!)}: ${reason} ${instead.join(" ")}`];
  }
  if (pack.method === "raw" && lot.treatments.includes("cook"))
    return ["method", `Lot ${lot.code} is cooked. Cooked food is a hot pack.`];
  return null;
}

/** Any fish makes a dish the seafood row; bones, roasts and smoked fish go into none. */
function dishTakes(product: ProductKey, lot: FoodOfLot): boolean {
  if (lot.form === "bones" || lot.form === "roast" || lot.form === "smoked") return false;
  return product === "soup-seafood" || (lot.group !== "fish" && lot.group !== "tuna");
}

/** Weights that cannot be, and weights that are odd. */
function whyNotWeight(pack: PackToFill, lot: FoodOfLot, home: PackingHousehold): PackRefusal | null {
  if (pack.massKg === null) return null;
  const { product, method, container, mouth } = pack;
  const units = home.writing.units;
  const each = pack.massKg / pack.count;
  const one = shapeOf(container, mouth).name;
  const cooked = method === "hot" && product !== "broth" && !DISH_PRODUCTS.includes(product);
  const most = contentsMostKg(product, container, mouth) * (cooked ? COOKS_DOWN : JARS_DIFFER);
  const no = (message: string, ask: boolean): PackRefusal => ({ field: "massKg", message, ask });
  if (!(each > 0)) return no("Weight must be more than 0.", false);
  const share = pack.dish && whyNotShare(pack, pack.dish, lot, each, home);
  if (share && !share.ask) return share;
  if (each > most)
    return no(
      `${formatMass(each, units)} does not go into one ${one}: it holds at most about ${formatMass(most, units)}. Check the weight and the count.`,
      false,
    );
  if (pack.dish) return share;
  if (pack.sure || product === "broth") return null;
  const expected = home.expected ?? fillEstimate(product, method, container, [], mouth);
  const says = judgeFill(each, expected);
  if (says === "full") return null;
  const usual = `A ${one} takes about ${formatMass(expected.kgEach, units)}`;
  return no(
    says === "part-filled"
      ? `${usual}, and this is ${formatMass(each, units)}. A part-filled ${isCan(container) ? "can" : "jar"} is not canned: fill it, or keep that food out.`
      : `${usual}, and this is ${formatMass(each, units)}. Check the headspace: overfilled ones lose liquid.`,
    true,
  );
}

/** A dish's row covers what the recipe puts into a container, and not a container full of its meat. */
function whyNotShare(
  pack: PackToFill,
  dish: DishToFill,
  lot: FoodOfLot,
  each: number,
  home: PackingHousehold,
): PackRefusal | null {
  const weight = (kg: number) => formatMass(kg, home.writing.units);
  const share = dishEstimate(dish.meatKgEach);
  const one = shapeOf(pack.container, pack.mouth).name;
  const by = `By its recipe ${dish.name} has about ${weight(dish.meatKgEach)} of meat in a ${one}, and this is ${weight(each)}.`;
  const no = (message: string, ask: boolean): PackRefusal => ({ field: "massKg", message, ask });
  const says = judgeFill(each, share);
  if (says === "overfilled" && each > dish.meatKgEach + LADLE_KG) {
    const plain = productsFor(lot.group, lot.form).find((p) => !DISH_PRODUCTS.includes(p));
    return no(
      `${by} “${rowOf(pack.product).name}” does not cover that. Take meat out, or pack it as plain food${plain ? `: “${rowOf(plain).name}”` : ""}.`,
      false,
    );
  }
  return says === "part-filled" && !pack.sure ? no(`${by} Is that right?`, true) : null;
}
