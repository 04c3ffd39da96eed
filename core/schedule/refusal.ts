import { COMMON_PRACTICE, usda2015, type Source } from "./source.ts";

/** Something that may not be canned at all, or a way that may not be used. */
export interface Refusal {
  key: string;
  kind: "food" | "container" | "method" | "practice";
  name: string;
  reason: string;
  instead: readonly string[];
  source: Source;
}

const SLOW = "It thickens in the jar, and heat then moves through it too slowly for any tested time.";
const NO_CANNING = usda2015("Guide 1, ensuring safe canned foods; Guides 4 and 5, introductions");

export const REFUSALS: readonly Refusal[] = [
  food("gravy", "Thickened gravy or sauce", SLOW, [
    "Can the meat in plain broth and thicken it when serving.",
  ]),
  food("flour", "Flour", SLOW, ["Can without it and thicken when serving."]),
  food("starch", "Starch of any kind", SLOW, ["Can without it and thicken when serving."]),
  food("noodles", "Noodles or pasta", SLOW, ["Can the soup without them and cook them in it when serving."]),
  food("rice", "Rice", SLOW, ["Can the soup without it and add cooked rice when serving."]),
  food("barley", "Barley as a thickener", SLOW, [
    "Can the soup without it and add cooked barley when serving.",
  ]),
  food("bread", "Bread or dumplings", SLOW, ["Bake or boil them fresh when serving."]),
  food(
    "dairy",
    "Milk, cream or cheese",
    "Dairy shields spores from heat and has no tested process with meat or fish.",
    ["Stir dairy in when serving."],
  ),
  food(
    "butter",
    "Butter or cream sauces",
    "Fat coats the food and shields spores; there is no tested process.",
    ["Drain off what the meat was browned in.", "Can it plain and make the sauce when serving."],
  ),
  food("stuffing", "Stuffing or stuffed birds", "The middle heats too slowly for any tested time.", [
    "Can the bird in pieces, without stuffing.",
  ]),
  food(
    "pate",
    "Pâté or a dense purée",
    "It packs solid, and the middle heats too slowly for any tested time.",
    ["Freeze it.", "Can the meat in pieces with liquid and mash it when serving."],
  ),
  food(
    "mashed",
    "Mashed or puréed vegetables and beans",
    "They pack solid, and the middle heats too slowly for any tested time.",
    ["Can them in cubes, or whole, and mash them when serving."],
  ),
  food("cured", "Cured meat", "There is no tested process for meat that was cured.", [
    "Freeze it.",
    "Can the dish without it and add it when serving.",
  ]),
  food(
    "fatty",
    "Heavily fatty meat",
    "Melted fat climbs, gets under the lid and breaks the seal, and slows the heat.",
    ["Trim the fat off and can the lean.", "Freeze the fatty cuts."],
  ),
  food(
    "jerky",
    "Jerky, cured and then dried",
    "Dried meat takes up water unevenly; there is no tested process.",
    ["Keep it dry and cool, or freeze it.", "Can fresh pieces instead."],
  ),
  food("eggs", "Eggs", "There is no tested process for canning eggs.", ["Keep them in the refrigerator."]),
  {
    key: "organs",
    kind: "food",
    name: "Organs",
    reason: "The tested processes are for muscle meat. There is none for organs.",
    instead: ["Freeze it.", "Eat it fresh."],
    source: usda2015("Guide 5, which has rows for muscle meat only"),
  },
  {
    key: "curing-salt",
    kind: "food",
    name: "Curing salt or nitrite",
    reason: "It goes into a cure by weight: a spoonful in a jar can poison.",
    instead: ["Use plain salt, or none."],
    source: COMMON_PRACTICE,
  },
  {
    key: "half-gallon",
    kind: "container",
    name: "Half-gallon or larger jars",
    reason: "Nothing larger than a quart has a tested process for meat or fish: the middle heats too slowly.",
    instead: ["Use quarts, or pints."],
    source: NO_CANNING,
  },
  method(
    "boiling-water",
    "Boiling-water canning",
    "Boiling water stays near 212 °F (100 °C) or below. Botulism spores survive it.",
  ),
  method(
    "steam-kettle",
    "Steam kettle canning",
    "Steam without pressure stays near 212 °F (100 °C). Botulism spores survive it.",
  ),
  method("oven", "Oven canning", "Air in an oven does not heat the jars evenly, and jars burst."),
  method(
    "dishwasher",
    "Dishwasher canning",
    "A dishwasher never comes near the temperature that kills botulism spores.",
  ),
  method(
    "multi-cooker",
    "Canning in a multi-cooker or pressure cooker",
    "The tested times count on a canner's own heating and cooling; a cooker heats and cools too fast and may not hold pressure.",
  ),
  {
    key: "part-filled",
    kind: "practice",
    name: "A part-filled jar",
    reason: "Too much air stays in the jar, and the seal may fail.",
    instead: ["Eat it, refrigerate it, or freeze it.", "Fill a smaller jar."],
    source: COMMON_PRACTICE,
  },
  {
    key: "reused-lid",
    kind: "practice",
    name: "A flat lid used before",
    reason: "The sealing compound takes one impression. The batch is then not to the tested process.",
    instead: ["Use a new lid."],
    source: usda2015("Guide 1, jars and lids"),
  },
];

function food(key: string, name: string, reason: string, instead: readonly string[]): Refusal {
  return { key, kind: "food", name, reason, instead, source: NO_CANNING };
}

function method(key: string, name: string, reason: string): Refusal {
  return {
    key,
    kind: "method",
    name,
    reason,
    instead: ["Use a pressure canner with the tested time and pressure.", "Freeze it."],
    source: NO_CANNING,
  };
}

/**
 * Returns the refusal with this key: why something may not be canned, and what to do instead. Undefined when there is
 * none.
 *
 * Source: USDA 2015, from memory; each refusal names its own.
 */
export function refusalFor(key: string): Refusal | undefined {
  return REFUSALS.find((r) => r.key === key);
}
