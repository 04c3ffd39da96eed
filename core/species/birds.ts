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
  named?: boolean,
  cautions?: readonly Caution[],
];

/** Composition: raw meat without skin, from memory of public food composition tables; near kin share a row. */
const ROWS: readonly Row[] = [
  ["grouse", "Grouse", "grouse", 5, "bird", 73.5, 24.0, 1.4, 1.3],
  ["ruffed-grouse", "Ruffed grouse", "ruffed grouse", 1, "bird", 73.5, 24.0, 1.4, 1.3],
  ["spruce-grouse", "Spruce grouse", "spruce grouse", 1, "bird", 73.5, 24.0, 1.4, 1.3],
  ["blue-grouse", "Blue (dusky, sooty) grouse", "blue grouse", 2, "bird", 73.5, 24.0, 1.4, 1.3],
  ["sharptail-grouse", "Sharp-tailed grouse", "sharp-tailed grouse", 1.5, "bird", 73.5, 24.0, 1.4, 1.3],
  ["sage-grouse", "Sage grouse", "sage grouse", 4, "bird", 73.5, 24.0, 1.4, 1.3],
  ["ptarmigan", "Ptarmigan", "ptarmigan", 1, "bird", 73.0, 24.5, 1.4, 1.3],
  ["pheasant", "Pheasant", "pheasants", 3, "bird", 72.8, 23.6, 3.6, 1.3],
  ["partridge", "Partridge", "partridges", 1, "bird", 72.5, 24.0, 2.2, 1.3],
  ["chukar", "Chukar", "chukar", 1, "bird", 72.5, 24.0, 2.2, 1.3],
  ["quail", "Quail", "quail", 0.4, "bird", 70.0, 21.8, 4.5, 1.3],
  ["wild-turkey", "Wild turkey", "wild turkeys", 14, "turkey", 74.0, 23.5, 1.6, 1.1, true],
  ["guinea-fowl", "Guinea fowl", "guinea fowl", 2.5, "bird", 74.4, 20.6, 2.5, 1.3],
  ["goose", "Goose", "geese", 8, "bird", 68.3, 22.8, 7.1, 1.1, false, ["fatty"]],
  ["canada-goose", "Canada goose", "Canada geese", 8, "bird", 70.0, 24.0, 4.0, 1.1, false, ["fatty"]],
  ["snow-goose", "Snow goose", "snow geese", 4.5, "bird", 71.0, 23.5, 4.0, 1.1, false, ["fatty"]],
  ["mallard", "Mallard", "mallards", 2, "bird", 73.5, 22.5, 3.0, 1.3, false, ["fatty"]],
  ["teal", "Teal", "teal", 0.6, "bird", 73.5, 22.5, 3.0, 1.3, false, ["fatty"]],
  ["duck", "Duck", "ducks", 3, "bird", 75.5, 19.9, 3.0, 1.3, false, ["fatty"]],
  ["crane", "Sandhill crane", "sandhill cranes", 7, "bird", 73.5, 22.0, 2.5, 1.3],
  ["coot", "Coot", "coots", 1.2, "bird", 74.0, 22.0, 2.0, 1.3],
  ["dove", "Dove or pigeon", "doves", 0.8, "bird", 72.8, 17.5, 7.5, 1.2],
  ["woodcock", "Woodcock or snipe", "woodcock", 0.5, "bird", 73.0, 22.0, 2.8, 1.3],
  ["rabbit", "Rabbit", "rabbits", 4, "rabbit", 74.5, 21.8, 2.3, 1.2, true, ["tularemia"]],
  [
    "cottontail",
    "Cottontail rabbit",
    "cottontail rabbits",
    2.2,
    "rabbit",
    74.5,
    21.8,
    2.3,
    1.2,
    true,
    ["tularemia"],
  ],
  [
    "snowshoe-hare",
    "Snowshoe hare",
    "snowshoe hares",
    2.5,
    "rabbit",
    74.0,
    22.0,
    2.3,
    1.2,
    false,
    ["tularemia"],
  ],
  ["jackrabbit", "Jackrabbit", "jackrabbits", 6, "rabbit", 74.0, 22.0, 2.3, 1.2, false, ["tularemia"]],
  ["hare", "Hare", "hares", 7, "rabbit", 74.0, 22.0, 2.3, 1.2, false, ["tularemia"]],
];

/** Birds, and rabbits and hares, which the table puts in the same row. Counted together. */
export const BIRDS: readonly Species[] = ROWS.map(
  ([key, name, plural, likelyMaxKg, build, water, protein, fat, ash, named = false, cautions = []]) => ({
    key,
    name,
    plural,
    group: "bird-rabbit",
    named,
    taken: "catch",
    likelyMaxKg,
    cautions: ["lead-shot", ...cautions],
    yields: BUILDS[build],
    composition: { water, protein, fat, ash },
  }),
);
