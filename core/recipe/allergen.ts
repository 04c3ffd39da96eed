/**
 * The foods that have to be named on labels because people are allergic to them: the nine of the United States (21 U.S.C.
 * 321(qq), with sesame since 2023) are all among the fourteen of the European Union (Regulation (EU) No 1169/2011,
 * Annex II), which are used here. From memory. Words by which each is known: common practice, no source.
 */
const ALLERGENS: Record<string, readonly string[]> = {
  fish: [
    "fish",
    "trout",
    "pike",
    "salmon",
    "perch",
    "whitefish",
    "walleye",
    "tuna",
    "mackerel",
    "sardine",
    "anchovy",
    "anchovies",
    "cod",
    "herring",
    "worcestershire",
    "dashi",
    "surimi",
  ],
  shellfish: ["crab", "shrimp", "prawn", "lobster", "crayfish", "crawfish", "krill", "seafood"],
  mollusks: [
    "clam",
    "oyster",
    "mussel",
    "scallop",
    "squid",
    "octopus",
    "cockle",
    "snail",
    "whelk",
    "seafood",
  ],
  gluten: [
    "wheat",
    "flour",
    "barley",
    "rye",
    "oat",
    "spelt",
    "malt",
    "beer",
    "ale",
    "stout",
    "semolina",
    "bulgur",
    "couscous",
    "bread",
    "pasta",
    "noodle",
    "seitan",
  ],
  celery: ["celery", "celeriac", "lovage", "soup greens", "soup vegetables", "old bay"],
  mustard: ["mustard"],
  soy: ["soy", "soya", "soybean", "tofu", "miso", "tamari", "edamame", "teriyaki", "tempeh"],
  milk: ["milk", "butter", "cream", "cheese", "yogurt", "yoghurt", "whey", "casein", "ghee", "lactose"],
  egg: ["egg", "mayonnaise", "mayo"],
  peanut: ["peanut", "groundnut"],
  nuts: ["nut", "almond", "walnut", "hazelnut", "pecan", "cashew", "pistachio", "macadamia", "chestnut"],
  sesame: ["sesame", "tahini"],
  lupin: ["lupin", "lupine"],
  sulfites: ["wine", "cider", "vinegar", "sulfite", "sulphite", "lemon juice", "sherry", "port"],
};

/** What is bought ready made, whose own label alone says what is in it. */
const READY_MADE = [
  "bouillon",
  "stock",
  "cube",
  "ketchup",
  "sauce",
  "mix",
  "powder",
  "curry",
  "worcestershire",
];

/** Food that sounds like one of them and is none. */
const NOT = ["butter bean", "nutmeg", "butternut", "coconut", "eggplant"];

/** What was found of allergens in what went into a container. */
export interface Allergens {
  /** each once, the widest spread first */
  found: string[];
  /** ingredients as they were named that were bought ready made: what is in them is on their own labels */
  readyMade: string[];
}

/**
 * Returns the allergens that the names of ingredients give away. A name that gives none away proves nothing: people who
 * are allergic are to ask.
 *
 * @param names as written, of food, liquid, additions
 * @param isFish the food itself is fish
 */
export function allergensIn(names: readonly string[], isFish: boolean): Allergens {
  const plain = names.map((name) => {
    const words = ` ${name
      .toLowerCase()
      .replaceAll(/[^\p{L}]+/gu, " ")
      .trim()} `;
    return NOT.reduce((text, not) => text.replaceAll(new RegExp(` ${not}s?(?= )`, "g"), " "), words);
  });
  const says = (words: string, one: string) =>
    [one, `${one}s`, `${one}es`].some((w) => words.includes(` ${w} `));
  const found = Object.entries(ALLERGENS)
    .filter(([key, words]) => (key === "fish" && isFish) || plain.some((p) => words.some((w) => says(p, w))))
    .map(([key]) => key);
  const readyMade = names.filter((_, i) => READY_MADE.some((w) => says(plain[i]!, w)));
  return { found, readyMade: [...new Set(readyMade)] };
}
