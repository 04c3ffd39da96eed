import { type ProductKey } from "../schedule/index.ts";

/** What kind of animal it is; decides which rows of the process table apply. */
export type SpeciesGroup = "red-meat" | "bird-rabbit" | "fish" | "tuna";

export interface Species {
  key: string;
  name: string;
  plural: string;
  group: SpeciesGroup;
  /** the published row names it; otherwise the screen says what it is treated as */
  named: boolean;
  /** one animal at a time, or a catch of many counted together */
  taken: "animal" | "catch";
  /** heaviest anyone is likely to bring in, kg for one; above it the form asks once more. From memory */
  likelyMaxKg: number;
  cautions: readonly Caution[];
}

export type Caution =
  "trichinella" | "prion" | "fish-advisory" | "lead-shot" | "halibut-bones" | "struvite" | "tularemia";

/** Cautions, shown where they bite. Common practice, no single published source. */
export const CAUTIONS: Record<Caution, string> = {
  trichinella: "May carry trichinella: give the full process as written, and never taste it undercooked.",
  prion:
    "Deer and their kin can carry prion disease: where testing is offered, hold the meat until the result.",
  "fish-advisory": "Look up the consumption advisory for the water it came from.",
  "lead-shot": "Trim wide of shot and bullet tracks.",
  "halibut-bones": "Goes in without bones and skin.",
  struvite: "Glass-like crystals may form in the jar; they are struvite and harmless.",
  tularemia: "Wear gloves when skinning; wild rabbits and hares can carry tularaemia.",
};

export const SPECIES: readonly Species[] = [
  red("pronghorn", "Pronghorn", "pronghorn", 75, ["lead-shot"]),
  red("wild-boar", "Wild boar", "wild boar", 250, ["trichinella", "lead-shot"]),
  red("whitetail-deer", "White-tailed deer", "white-tailed deer", 180, ["prion", "lead-shot"], true),
  red("mule-deer", "Mule deer", "mule deer", 200, ["prion", "lead-shot"], true),
  red("roe-deer", "Roe deer", "roe deer", 40, ["lead-shot"], true),
  red("red-deer", "Red deer", "red deer", 300, ["prion", "lead-shot"], true),
  red("elk", "Elk", "elk", 500, ["prion", "lead-shot"], true),
  red("moose", "Moose", "moose", 750, ["prion", "lead-shot"], true),
  red("black-bear", "Black bear", "black bears", 300, ["trichinella", "lead-shot"], true),
  red("wild-sheep", "Wild sheep", "wild sheep", 160, ["lead-shot"]),
  red("kangaroo", "Kangaroo", "kangaroos", 90, ["lead-shot"]),
  red("beaver", "Beaver", "beavers", 35, ["tularemia"]),
  red("squirrel", "Squirrel", "squirrels", 2, ["lead-shot"]),
  bird("grouse", "Grouse", "grouse", 5),
  bird("pheasant", "Pheasant", "pheasants", 3),
  bird("wild-turkey", "Wild turkey", "wild turkeys", 14, true),
  bird("goose", "Goose", "geese", 8),
  bird("duck", "Duck", "ducks", 3),
  bird("rabbit", "Rabbit", "rabbits", 4, true, ["tularemia"]),
  bird("hare", "Hare", "hares", 7, false, ["tularemia"]),
  fish("lake-trout", "Lake trout", "lake trout", 30, true),
  fish("trout", "Trout", "trout", 15, true),
  fish("steelhead", "Steelhead", "steelhead", 18, true),
  fish("salmon", "Salmon", "salmon", 45, true, ["struvite"]),
  fish("whitefish", "Whitefish", "whitefish", 9, true),
  fish("mackerel", "Mackerel", "mackerel", 4, true),
  fish("pike", "Pike", "pike", 25, false),
  fish("perch", "Perch", "perch", 4, false),
  fish("carp", "Carp", "carp", 40, false),
  fish("sucker", "Sucker", "suckers", 5, false),
  fish("halibut", "Halibut", "halibut", 250, true, ["halibut-bones"]),
  { ...fish("tuna", "Tuna", "tuna", 400, true, ["struvite"]), group: "tuna" },
];

function red(
  key: string,
  name: string,
  plural: string,
  likelyMaxKg: number,
  cautions: readonly Caution[],
  named = false,
): Species {
  return { key, name, plural, group: "red-meat", named, taken: "animal", likelyMaxKg, cautions };
}

function bird(
  key: string,
  name: string,
  plural: string,
  likelyMaxKg: number,
  named = false,
  cautions: readonly Caution[] = [],
): Species {
  return {
    key,
    name,
    plural,
    group: "bird-rabbit",
    named,
    taken: "catch",
    likelyMaxKg,
    cautions: ["lead-shot", ...cautions],
  };
}

function fish(
  key: string,
  name: string,
  plural: string,
  likelyMaxKg: number,
  named: boolean,
  cautions: readonly Caution[] = [],
): Species {
  return {
    key,
    name,
    plural,
    group: "fish",
    named,
    taken: "catch",
    likelyMaxKg,
    cautions: ["fish-advisory", ...cautions],
  };
}

export function speciesByKey(key: string): Species | undefined {
  return SPECIES.find((s) => s.key === key);
}

/** Forms a lot can be cut to. */
export const FORMS = ["pieces", "ground", "bone-in", "sections", "smoked", "bones"] as const;
export type LotForm = (typeof FORMS)[number];

/** Names of the forms for reading. */
export const FORM_NAMES: Record<LotForm, string> = {
  pieces: "pieces off the bone",
  ground: "ground",
  "bone-in": "pieces on the bone",
  sections: "jar-length sections",
  smoked: "lightly smoked",
  bones: "bones for broth",
};

/** Forms that make sense for a group, the usual one first. */
export function formsFor(group: SpeciesGroup): LotForm[] {
  switch (group) {
    case "red-meat":
      return ["pieces", "ground", "bones"];
    case "bird-rabbit":
      return ["pieces", "bone-in", "bones"];
    case "fish":
      return ["sections", "smoked", "bones"];
    case "tuna":
      return ["sections"];
  }
}

/**
 * The rows of the process table a lot may be put up by, the usual one first. The longer boneless time is never
 * exchanged for the bone-in one unless the lot is on the bone.
 */
export function productsFor(group: SpeciesGroup, form: LotForm): ProductKey[] {
  if (form === "bones") return ["broth"];
  switch (group) {
    case "red-meat":
      return form === "ground"
        ? ["red-meat-ground", "chile-con-carne"]
        : ["red-meat-pieces", "stewed-meat", "chile-con-carne", "soup", "can-game"];
    case "bird-rabbit":
      return form === "bone-in" ? ["poultry-rabbit-bone-in"] : ["poultry-rabbit-boneless", "soup"];
    case "fish":
      return form === "smoked" ? ["fish-smoked"] : ["fish", "soup-seafood", "can-fish"];
    case "tuna":
      return ["tuna"];
  }
}

const TREATED_AS: Record<SpeciesGroup, string> = {
  "red-meat": "red meat and game",
  "bird-rabbit": "chicken or rabbit",
  fish: "fish",
  tuna: "tuna",
};

/** What the screen says when the published row does not name the animal; null when it does. */
export function treatedAs(species: Species): string | null {
  if (species.named) return null;
  return `${species.name} is not named in the table; treated as ${TREATED_AS[species.group]}. Ask your extension office.`;
}
