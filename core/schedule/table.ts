import type { ContainerKey } from "./container.ts";
import type { ConditionKey } from "./rules.ts";
import { COMMON_PRACTICE, usda2015, type Source } from "./source.ts";

/** How the food goes in: raw pack, or hot (precooked) pack. */
export type PackMethod = "raw" | "hot";

/** Keys of the process table. Cans have products of their own; jars use all the others. */
export const PRODUCTS = [
  "red-meat-pieces",
  "red-meat-ground",
  "poultry-rabbit-boneless",
  "poultry-rabbit-bone-in",
  "fish",
  "tuna",
  "fish-smoked",
  "clams",
  "crab",
  "oysters",
  "broth",
  "chile-con-carne",
  "soup",
  "soup-seafood",
  "stewed-meat",
  "dry-beans",
  "can-fish",
  "can-game",
] as const;

export type ProductKey = (typeof PRODUCTS)[number];

/** One row of the table for glass jars. Minutes are at pressure; null means no tested process for that size. */
export interface JarRow {
  key: ProductKey;
  name: string;
  covers: string;
  packs: readonly PackMethod[];
  halfPintMinutes: number | "as-pint";
  pintMinutes: number;
  quartMinutes: number | null;
  headspaceIn: number;
  source: Source;
  /** own rule that holds for every size, by key of rules.ts */
  ownRule?: ConditionKey;
  /** own rule of the quart. A jar between a pint and a quart then has none: the rule is not for it */
  quartRule?: ConditionKey;
  /** containers the row is not for, although a larger size has a time */
  not?: readonly ContainerKey[];
  halfPintNote?: string;
  /** solids fill at most half of the jar, the rest is liquid: the time counts on it */
  halfLiquid?: true;
  notes?: readonly string[];
}

/** One row of the table for metal cans: up to 1,000 ft only. */
export interface CanRow {
  key: ProductKey;
  name: string;
  covers: string;
  packs: readonly PackMethod[];
  halfPoundMinutes: number;
  onePoundMinutes: number;
  headspaceIn: number;
  source: Source;
  notes?: readonly string[];
}

const MEAT = "Guide 5, meats and poultry";
const FISH = "Guide 5, fish and seafood";

export const JAR_ROWS: readonly JarRow[] = [
  {
    key: "red-meat-pieces",
    name: "Red meat and game, pieces",
    covers: "strips, cubes or chunks of venison, bear, boar and other red meat and game",
    packs: ["raw", "hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 75,
    quartMinutes: 90,
    headspaceIn: 1,
    source: usda2015(`${MEAT}: strips, cubes or chunks of meat`),
  },
  {
    key: "red-meat-ground",
    name: "Red meat and game, ground",
    covers: "ground or chopped meat, patties and sausage meat, browned first",
    packs: ["hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 75,
    quartMinutes: 90,
    headspaceIn: 1,
    source: usda2015(`${MEAT}: ground or chopped meat`),
  },
  {
    key: "poultry-rabbit-boneless",
    name: "Birds and rabbit, without bones",
    covers: "chicken, turkey, game birds, rabbit and hare off the bone",
    packs: ["raw", "hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 75,
    quartMinutes: 90,
    headspaceIn: 1.25,
    source: usda2015(`${MEAT}: chicken or rabbit, without bones`),
    notes: ["The hot pack is the one published as preferred for quality."],
  },
  {
    key: "poultry-rabbit-bone-in",
    name: "Birds and rabbit, with bones",
    covers: "chicken, turkey, game birds, rabbit and hare on the bone",
    packs: ["raw", "hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 65,
    quartMinutes: 75,
    headspaceIn: 1.25,
    source: usda2015(`${MEAT}: chicken or rabbit, with bones`),
    notes: ["The hot pack is the one published as preferred for quality."],
  },
  {
    key: "fish",
    name: "Fish",
    covers: "salmon, trout, steelhead, mackerel, whitefish and other fish, but not tuna",
    packs: ["raw"],
    halfPintMinutes: 100,
    pintMinutes: 100,
    quartMinutes: 160,
    headspaceIn: 1,
    source: usda2015(`${FISH}: fish in pint jars; fish in quart jars`),
    quartRule: "fish-quart",
    notes: ["Halibut goes in without bones and skin. On other fish bones and skin may stay."],
  },
  {
    key: "tuna",
    name: "Tuna",
    covers: "tuna and albacore, raw or precooked",
    packs: ["raw", "hot"],
    halfPintMinutes: 100,
    pintMinutes: 100,
    quartMinutes: null,
    headspaceIn: 1,
    source: usda2015(`${FISH}: tuna`),
  },
  {
    key: "fish-smoked",
    name: "Smoked fish",
    covers: "lightly smoked fish",
    packs: ["raw"],
    halfPintMinutes: "as-pint",
    pintMinutes: 110,
    quartMinutes: null,
    headspaceIn: 1,
    source: usda2015(`${FISH}: smoked fish`),
    ownRule: "fish-smoked",
    not: ["jar-quarter-pint"],
    halfPintNote: "The time is the pint's; in a smaller jar the quality may suffer.",
  },
  {
    key: "clams",
    name: "Clams",
    covers: "clams, minced or whole",
    packs: ["hot"],
    halfPintMinutes: 60,
    pintMinutes: 70,
    quartMinutes: null,
    headspaceIn: 1,
    source: usda2015(`${FISH}: clams`),
    ownRule: "clams-blanch",
  },
  {
    key: "crab",
    name: "Crab",
    covers: "king or Dungeness crab meat",
    packs: ["hot"],
    halfPintMinutes: 70,
    pintMinutes: 80,
    quartMinutes: null,
    headspaceIn: 1,
    source: usda2015(`${FISH}: king and Dungeness crab meat`),
    ownRule: "crab-acid",
  },
  {
    key: "oysters",
    name: "Oysters",
    covers: "oysters",
    packs: ["hot"],
    halfPintMinutes: 75,
    pintMinutes: 75,
    quartMinutes: null,
    headspaceIn: 1,
    source: usda2015(`${FISH}: oysters`),
  },
  {
    key: "broth",
    name: "Broth",
    covers: "meat or poultry stock",
    packs: ["hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 20,
    quartMinutes: 25,
    headspaceIn: 1,
    source: usda2015(`${MEAT}: meat stock`),
  },
  {
    key: "chile-con-carne",
    name: "Chili with meat",
    covers: "meat, beans, tomato and chili",
    packs: ["hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 75,
    quartMinutes: null,
    headspaceIn: 1,
    source: usda2015(`${MEAT}: chile con carne`),
    notes: ["Beans fully soaked and cooked before they go in."],
  },
  {
    key: "soup",
    name: "Soup",
    covers: "vegetable, bean, meat or poultry soup, half solids and half liquid",
    packs: ["hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 60,
    quartMinutes: 75,
    headspaceIn: 1,
    source: usda2015("Guide 4, soups"),
    notes: ["Fill half way with solids, the rest liquid. No thickener, noodles, rice or dairy."],
    halfLiquid: true,
  },
  {
    key: "soup-seafood",
    name: "Soup with fish or shellfish",
    covers: "soup with any fish or shellfish in it, half solids and half liquid",
    packs: ["hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 100,
    quartMinutes: 100,
    headspaceIn: 1,
    source: usda2015("Guide 4, soups, with seafood"),
    notes: ["Fill half way with solids, the rest liquid. No thickener, noodles, rice or dairy."],
    halfLiquid: true,
  },
  {
    key: "stewed-meat",
    name: "Stewed meat and vegetables",
    covers: "browned meat and vegetables in broth, where the meat is the slowest part",
    packs: ["hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 75,
    quartMinutes: 90,
    headspaceIn: 1,
    source: COMMON_PRACTICE,
    notes: ["The meat's own time governs. No flour, starch or other thickener; thicken when serving."],
  },
  {
    // Made from no lot: they fill the room that a load leaves.
    key: "dry-beans",
    name: "Dry beans",
    covers: "dry beans or peas, soaked and cooked, in what a load leaves free",
    packs: ["hot"],
    halfPintMinutes: "as-pint",
    pintMinutes: 75,
    quartMinutes: 90,
    headspaceIn: 1,
    source: usda2015("Guide 4, beans or peas, shelled, dried: all varieties"),
    notes: [
      "Never dry in the jar: soaked, then boiled 30 minutes, and filled hot with the water they boiled in.",
    ],
  },
];

export const CAN_ROWS: readonly CanRow[] = [
  {
    key: "can-fish",
    name: "Fish in cans",
    covers: "fish packed solid",
    packs: ["raw"],
    halfPoundMinutes: 95,
    onePoundMinutes: 115,
    headspaceIn: 0.25,
    source: COMMON_PRACTICE,
    notes: ["Pack the fish solid."],
  },
  {
    key: "can-game",
    name: "Game in cans",
    covers: "game meat pieces, browned rare, packed loose with boiling liquid",
    packs: ["hot"],
    halfPoundMinutes: 70,
    onePoundMinutes: 99,
    headspaceIn: 0.25,
    source: COMMON_PRACTICE,
    notes: ["Brown the pieces rare, pack them loosely and cover with boiling liquid."],
  },
];

/** Rows that are for a dish of several things and not for one kind of meat. */
export const DISH_PRODUCTS: readonly ProductKey[] = [
  "chile-con-carne",
  "soup",
  "soup-seafood",
  "stewed-meat",
];

/** Returns whether a product is published half solids, half liquid. Source: USDA 2015, Guide 4, from memory. */
export const isHalfLiquid = (product: ProductKey): boolean => {
  const row = rowOf(product);
  return "halfLiquid" in row && row.halfLiquid === true;
};

/** Returns the row of a product in the process tables. */
export function rowOf(key: ProductKey): JarRow | CanRow {
  return [...JAR_ROWS, ...CAN_ROWS].find((row) => row.key === key)!;
}

/** Returns the name of a product as it is shown. */
export function productName(key: ProductKey): string {
  return rowOf(key).name;
}
