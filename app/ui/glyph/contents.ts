import type { ProductKey } from "#core/schedule";
import { speciesByKey } from "#core/species";
import type { Contents } from "./container";

/** What a container's contents are drawn as, from what is in it. */
export function contentsOf(product: ProductKey | null, species: readonly string[]): Contents {
  if (product === "broth" || product === "soup") return "broth";
  switch (speciesByKey(species[0] ?? "")?.group) {
    case "fish":
    case "tuna":
      return "fish";
    case "bird-rabbit":
      return "bird";
    default:
      return "meat";
  }
}
