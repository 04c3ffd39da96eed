import type { ProductKey } from "../schedule/index.ts";
import { isFishGroup, type Species, type SpeciesGroup } from "./species.ts";

/** Forms a lot can be cut to. */
export const FORMS = [
  "pieces",
  "strips",
  "ground",
  "bone-in",
  "sections",
  "roast",
  "smoked",
  "bones",
  "broth",
] as const;
export type LotForm = (typeof FORMS)[number];

/** Names of the forms for reading. */
export const FORM_NAMES: Record<LotForm, string> = {
  pieces: "cubes off the bone",
  strips: "strips",
  ground: "ground",
  "bone-in": "pieces on the bone",
  sections: "jar-length sections",
  roast: "roast, kept whole",
  smoked: "lightly smoked",
  bones: "bones for broth",
  broth: "broth",
};

/** Returns the forms that a group is cut into at the table, the usual one first. Common practice, no source. */
export function formsFor(group: SpeciesGroup): LotForm[] {
  switch (group) {
    case "red-meat":
      return ["pieces", "strips", "ground", "roast", "bones"];
    case "bird-rabbit":
      return ["pieces", "bone-in", "bones"];
    case "fish":
      return ["sections", "pieces", "smoked", "bones"];
    case "tuna":
      return ["sections", "pieces"];
  }
}

/** Returns the parts a group is usually taken apart into, in the order of the work. Common practice, no source. */
export function partsOf(group: SpeciesGroup): string[] {
  switch (group) {
    case "red-meat":
      return ["Shoulder", "Hind leg", "Loin", "Neck", "Ribs", "Trim", "Bones"];
    case "bird-rabbit":
      return ["Breasts", "Legs", "Saddle", "Whole", "Carcasses"];
    case "fish":
    case "tuna":
      return [
        "Whole fish, dressed",
        "Middle sections",
        "Fillets",
        "Tails",
        "Bellies",
        "Collars",
        "Backbones",
      ];
  }
}

/**
 * Returns the rows of the process tables a lot may be canned by, the usual one first; empty for a roast, which is cut
 * first. The longer boneless time is never exchanged for the bone-in one unless the lot is on the bone.
 *
 * Source: USDA 2015, from memory.
 */
export function productsFor(group: SpeciesGroup, form: LotForm): ProductKey[] {
  // The row is for meat and poultry stock (USDA 2015, from memory): that of fish has none.
  if (form === "bones" || form === "broth") return isFishGroup(group) ? [] : ["broth"];
  if (form === "roast") return [];
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

/**
 * Returns what to do with bones and skin of an animal, as one sentence.
 *
 * Source: USDA 2015, from memory (bone-in rows of chicken and rabbit; halibut); salmon bones are common practice, no
 * source.
 */
export function boneRule(species: Species): string {
  if (species.cautions.includes("halibut-bones")) return "Bones and skin come out before it is packed.";
  switch (species.group) {
    case "red-meat":
      return "Packed off the bone. Bones go to broth.";
    case "bird-rabbit":
      return "On the bone it has a time of its own, 65 minutes a pint and 75 a quart; off the bone 75 and 90.";
    case "fish":
      return "Bones stay and soften. Skin on or off, as you like.";
    case "tuna":
      return "Skin, bones and dark meat come off.";
  }
}
