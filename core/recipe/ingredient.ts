import { COMMON_PRACTICE, usda2015, type Source } from "../schedule/index.ts";

/** What an ingredient is in a dish that is to be canned. */
export const ROLES = [
  "meat",
  "bird",
  "fish",
  "vegetable",
  "beans",
  "liquid",
  "seasoning",
  "refused",
] as const;
export type Role = (typeof ROLES)[number];

export interface IngredientKind {
  key: string;
  /** words it is called by, looked for in what was typed */
  names: readonly string[];
  role: Role;
  /** key of the refusal it falls under; `refused` only */
  refusal?: string;
  /** its own time at pressure, minutes; null where it has none in that size; vegetables and beans only */
  own?: { pint: number; quart: number | null; source: Source };
  /** how it must go in */
  prepare?: string;
}

const GUIDE_4 = usda2015("Guide 4, vegetables");

const vegetable = (
  names: readonly string[],
  pint: number,
  quart: number | null,
  prepare?: string,
  source: Source = GUIDE_4,
): IngredientKind => ({
  key: names[0]!,
  names,
  role: "vegetable",
  own: { pint, quart, source },
  ...(prepare ? { prepare } : {}),
});

const refused = (refusal: string, ...names: string[]): IngredientKind => ({
  key: names[0]!,
  names,
  role: "refused",
  refusal,
});

const plain = (role: Role, ...names: string[]): IngredientKind => ({ key: names[0]!, names, role });

/**
 * Ingredients known by name. What may not be canned comes first, so that “rice flour” and “egg noodles” are caught.
 * Vegetables carry the time of their own row, so that a dish never gets less than its slowest part: USDA 2015,
 * Guide 4, from memory.
 */
export const INGREDIENTS: readonly IngredientKind[] = [
  refused("gravy", "gravy", "roux"),
  refused("flour", "flour", "cornflour", "cornmeal", "polenta", "semolina", "masa"),
  refused(
    "starch",
    "starch",
    "cornstarch",
    "arrowroot",
    "clear jel",
    "clearjel",
    "filé",
    "file powder",
    "thickener",
    "tapioca",
    "xanthan",
    "gelatin",
  ),
  refused(
    "noodles",
    "noodle",
    "pasta",
    "macaroni",
    "spaghetti",
    "vermicelli",
    "lasagna",
    "orzo",
    "ramen",
    "couscous",
  ),
  refused("rice", "rice", "quinoa"),
  refused("barley", "barley", "oat", "oatmeal", "bulgur", "groats", "farro", "millet"),
  refused("bread", "bread", "dumpling", "crouton", "breadcrumb", "cracker", "tortilla", "panko"),
  refused(
    "dairy",
    "milk",
    "buttermilk",
    "cream",
    "crème",
    "creme",
    "half and half",
    "cheese",
    "cheddar",
    "parmesan",
    "yoghurt",
    "yogurt",
    "sour cream",
  ),
  refused("butter", "butter", "margarine", "ghee", "oil", "shortening", "dripping"),
  refused("stuffing", "stuffing"),
  refused("pate", "pâté", "pate", "purée", "puree", "liver paste"),
  refused(
    "mashed",
    "mashed",
    "mash",
    "refried",
    "hummus",
    "potato flake",
    "instant potato",
    "potato powder",
    "puréed",
    "pureed",
  ),
  refused(
    "cured",
    "cured",
    "corned",
    "ham hock",
    "smoked ham",
    "smoked sausage",
    "pastrami",
    "prosciutto",
    "pancetta",
    "chorizo",
    "pepperoni",
    "frankfurter",
    "hot dog",
  ),
  refused("fatty", "bacon", "lard", "suet", "tallow", "pork belly"),
  refused("jerky", "jerky", "biltong", "salami"),
  refused("eggs", "egg", "mayonnaise", "mayo"),
  refused(
    "organs",
    "liver",
    "heart",
    "kidney",
    "tongue",
    "brain",
    "lung",
    "spleen",
    "tripe",
    "sweetbread",
    "giblet",
    "gizzard",
    "roe",
    "milt",
  ),
  refused(
    "curing-salt",
    "curing salt",
    "cure",
    "nitrite",
    "nitrate",
    "saltpeter",
    "saltpetre",
    "prague powder",
    "instacure",
  ),
  plain("liquid", "broth", "stock", "bouillon", "water", "tomato juice", "wine", "beer", "cider"),
  plain(
    "fish",
    "fish",
    "trout",
    "pike",
    "salmon",
    "perch",
    "whitefish",
    "walleye",
    "clam",
    "crab",
    "oyster",
    "shrimp",
    "mussel",
    "crayfish",
  ),
  plain(
    "bird",
    "chicken",
    "turkey",
    "grouse",
    "pheasant",
    "duck",
    "goose",
    "quail",
    "partridge",
    "rabbit",
    "hare",
  ),
  plain(
    "meat",
    "meat",
    "venison",
    "boar",
    "pronghorn",
    "elk",
    "moose",
    "bear",
    "deer",
    "beef",
    "pork",
    "mutton",
    "lamb",
    "sausage",
    "mince",
  ),
  vegetable(["carrot"], 25, 30),
  vegetable(["green bean", "french bean", "runner bean"], 20, 25),
  {
    key: "bean",
    names: ["bean", "butter bean", "lentil", "chickpea", "black-eyed", "kidney bean"],
    role: "beans",
    own: { pint: 75, quart: 90, source: usda2015("Guide 4, beans or peas, shelled, dried") },
    prepare: "Soak them fully and cook them before they go in: dry beans go on swelling in the jar.",
  },
  vegetable(["potato"], 35, 40, "Peel and cube; no mash."),
  vegetable(["tomato"], 0, 0),
  // Guide 4 has no row for these three.
  vegetable(["celery"], 30, 35, undefined, COMMON_PRACTICE),
  vegetable(["onion", "leek", "shallot"], 40, 40, undefined, COMMON_PRACTICE),
  vegetable(["sweetcorn", "corn"], 55, 85),
  vegetable(["pea"], 40, 40),
  vegetable(["okra"], 25, 40),
  vegetable(["turnip", "swede", "rutabaga", "parsnip"], 30, 35, undefined, COMMON_PRACTICE),
  vegetable(["beet", "root"], 30, 35),
  vegetable(["mushroom"], 45, null, "Cultivated ones only; wild ones have no tested process."),
  vegetable(["sweet pepper", "bell pepper", "paprika pepper"], 35, null),
  vegetable(["squash", "pumpkin"], 55, 90, "In cubes, never mashed."),
  vegetable(["spinach", "chard", "kale", "greens"], 70, 90),
  plain(
    "seasoning",
    "salt",
    "pepper",
    "peppercorn",
    "garlic",
    "bay",
    "thyme",
    "rosemary",
    "sage",
    "juniper",
    "chilli",
    "chili",
    "cumin",
    "coriander",
    "paprika",
    "vinegar",
    "ketchup",
    "mustard",
    "clove",
    "allspice",
    "oregano",
    "parsley",
    "dill",
    "ginger",
    "sugar",
    "honey",
    "lemon",
  ),
];

/** Returns whether a liquid is a broth, by what it is called. */
export function isBroth(name: string): boolean {
  return /\b(?:broth|stock|bouillon)\b/i.test(name);
}

const OF_FISH = /\b(?:fish|seafood|clam|crab|shrimp|prawn|lobster|oyster|mussel|dashi)/i;

/** Returns whether a liquid was made of fish or shellfish, by what it is called. */
export function isOfFish(name: string): boolean {
  return isBroth(name) && OF_FISH.test(name);
}

/**
 * Returns what an ingredient is, by its name; null when it is not known. What may not be canned is found first.
 *
 * Source: the list of what may not be canned and the times of vegetables, USDA 2015, from memory.
 */
export function ingredientKind(name: string): IngredientKind | null {
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replaceAll(/[^\p{L}]+/gu, " ")
      .trim();
  const words = ` ${plain(name)} `;
  const called = (n: string) =>
    words.includes(` ${plain(n)} `) || words.includes(` ${plain(n)}s `) || words.includes(` ${plain(n)}es `);
  const found = INGREDIENTS.flatMap((kind) => kind.names.filter(called).map((n) => ({ kind, name: n })));
  // The longest name it is called by tells most. What may not be canned comes before it, unless it is only part of that
  // name: rice flour is flour, butter beans are beans.
  const longest = [...found].sort((a, b) => b.name.length - a.name.length)[0];
  const bad = found.find(
    (f) => f.kind.role === "refused" && !(longest!.name !== f.name && longest!.name.includes(f.name)),
  );
  // Chicken stock is stock.
  const poured = isBroth(name) ? found.find((f) => f.kind.role === "liquid") : undefined;
  return (bad ?? poured ?? longest)?.kind ?? null;
}
