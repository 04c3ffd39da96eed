import type { Caution } from "./caution.ts";
import { BUILDS, type Build } from "./kind.ts";
import type { Species } from "./species.ts";

type Row = [
  key: string,
  name: string,
  plural: string,
  maxKg: number,
  build: Build,
  water: number,
  protein: number,
  fat: number,
  ash: number,
  cautions?: readonly Caution[],
  named?: boolean,
];

const SHOT = ["lead-shot"] as const;
const DEER = ["prion", "lead-shot"] as const;
const CARRIER = ["trichinella", "lead-shot"] as const;

/** Composition: raw lean meat, from memory of public food composition tables; near kin share a row where none is known. */
const ROWS: readonly Row[] = [
  ["pronghorn", "Pronghorn", "pronghorn", 75, "deer", 74.1, 22.4, 2.0, 1.2, SHOT],
  ["wild-boar", "Wild boar", "wild boar", 250, "pig", 72.5, 21.5, 3.3, 1.0, CARRIER],
  ["whitetail-deer", "White-tailed deer", "white-tailed deer", 180, "deer", 73.6, 23.0, 2.4, 1.2, DEER, true],
  ["mule-deer", "Mule deer", "mule deer", 200, "deer", 73.4, 23.6, 1.9, 1.2, DEER, true],
  ["blacktail-deer", "Black-tailed deer", "black-tailed deer", 140, "deer", 73.4, 23.6, 1.9, 1.2, DEER, true],
  ["roe-deer", "Roe deer", "roe deer", 40, "deer", 74.2, 22.8, 1.9, 1.2, ["lead-shot"], true],
  ["red-deer", "Red deer", "red deer", 300, "deer", 74.5, 22.3, 1.8, 1.1, DEER, true],
  ["fallow-deer", "Fallow deer", "fallow deer", 120, "deer", 74.0, 22.5, 2.3, 1.2, SHOT, true],
  ["sika-deer", "Sika deer", "sika deer", 120, "deer", 74.0, 22.7, 2.0, 1.2, DEER, true],
  ["axis-deer", "Axis deer", "axis deer", 110, "deer", 74.5, 22.8, 1.6, 1.1, SHOT, true],
  ["muntjac", "Muntjac", "muntjac", 20, "deer", 74.0, 22.9, 1.8, 1.2, SHOT, true],
  ["elk", "Elk", "elk", 500, "deer", 74.4, 23.0, 1.5, 1.1, DEER, true],
  ["moose", "Moose", "moose", 750, "deer", 75.6, 22.2, 0.7, 1.1, DEER, true],
  ["caribou", "Caribou or reindeer", "caribou", 250, "deer", 71.5, 22.6, 3.4, 1.2, DEER, true],
  [
    "black-bear",
    "Black bear",
    "black bears",
    300,
    "bear",
    71.2,
    20.1,
    8.3,
    1.0,
    ["trichinella", "fatty", "lead-shot"],
    true,
  ],
  [
    "brown-bear",
    "Brown bear",
    "brown bears",
    600,
    "bear",
    71.2,
    20.1,
    8.3,
    1.0,
    ["trichinella", "fatty", "lead-shot"],
    true,
  ],
  ["bison", "Bison", "bison", 1000, "cattle", 74.6, 21.6, 1.8, 1.2, SHOT],
  ["muskox", "Muskox", "muskoxen", 400, "cattle", 75.0, 21.3, 2.3, 1.1, SHOT],
  ["wild-cattle", "Wild cattle", "wild cattle", 1000, "cattle", 74.5, 22.0, 2.2, 1.1, SHOT],
  ["wild-sheep", "Wild sheep", "wild sheep", 160, "goat", 73.5, 21.5, 3.5, 1.1, SHOT],
  ["mountain-goat", "Mountain goat", "mountain goats", 140, "goat", 75.8, 20.6, 2.3, 1.1, SHOT],
  ["feral-goat", "Feral goat", "feral goats", 90, "goat", 75.8, 20.6, 2.3, 1.1, SHOT],
  ["chamois", "Chamois", "chamois", 60, "goat", 74.5, 22.0, 2.0, 1.2, SHOT],
  ["ibex", "Ibex", "ibex", 120, "goat", 74.5, 22.0, 2.0, 1.2, SHOT],
  ["tahr", "Tahr", "tahr", 110, "goat", 74.5, 22.0, 2.0, 1.2, SHOT],
  ["blackbuck", "Blackbuck", "blackbuck", 50, "deer", 74.5, 22.8, 1.4, 1.2, SHOT],
  ["nilgai", "Nilgai", "nilgai", 290, "deer", 75.0, 22.5, 1.2, 1.1, SHOT],
  ["springbok", "Springbok", "springbok", 50, "deer", 74.2, 22.9, 1.6, 1.2, SHOT],
  ["impala", "Impala", "impala", 80, "deer", 74.8, 22.6, 1.4, 1.2, SHOT],
  ["kudu", "Kudu", "kudu", 320, "deer", 75.2, 22.3, 1.4, 1.1, SHOT],
  ["warthog", "Warthog", "warthogs", 120, "pig", 73.5, 22.0, 2.5, 1.1, CARRIER],
  ["peccary", "Peccary", "peccaries", 45, "pig", 73.5, 22.0, 2.6, 1.1, CARRIER],
  ["kangaroo", "Kangaroo", "kangaroos", 90, "marsupial", 75.5, 22.0, 1.2, 1.1, SHOT],
  ["wallaby", "Wallaby", "wallabies", 27, "marsupial", 75.5, 22.0, 1.2, 1.1, SHOT],
  ["beaver", "Beaver", "beavers", 35, "rodent", 70.7, 24.1, 4.8, 1.2, ["tularemia", "fatty"]],
  ["muskrat", "Muskrat", "muskrats", 2.5, "rodent", 69.6, 20.8, 8.1, 1.2, ["tularemia"]],
  ["squirrel", "Squirrel", "squirrels", 2, "rodent", 73.8, 21.2, 3.2, 1.2, ["tularemia", "lead-shot"]],
  ["raccoon", "Raccoon", "raccoons", 25, "rodent", 70.0, 20.5, 8.0, 1.1, ["trichinella", "fatty"]],
  ["nutria", "Nutria", "nutrias", 12, "rodent", 75.5, 22.0, 1.5, 1.1, ["tularemia"]],
];

/** Animals taken one at a time; small game counted together. */
export const MAMMALS: readonly Species[] = ROWS.map(
  ([key, name, plural, likelyMaxKg, build, water, protein, fat, ash, cautions = SHOT, named = false]) => ({
    key,
    name,
    plural,
    group: "red-meat",
    named,
    taken: build === "rodent" ? "catch" : "animal",
    likelyMaxKg,
    cautions,
    yields: BUILDS[build],
    composition: { water, protein, fat, ash },
  }),
);
