import { countOf } from "#core/quantity";
import type { Filler } from "#core/run";
import { kindWords } from "./plan";
import { shapeOf, type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { speciesByKey } from "#core/species";

/** `9 pints`, `1 wide-mouth quart`. */
export function containersWords(kind: ContainerKey, mouth: Mouth | null, count: number): string {
  const shape = shapeOf(kind, mouth);
  return countOf(count, shape.name, shape.plural);
}

/** `wild boar`, `lake trout and pike`. */
export function speciesWords(keys: readonly string[]): string {
  const names = keys.map((key) => speciesByKey(key)?.name.toLowerCase() ?? key);
  return names.length < 2 ? (names[0] ?? "meat") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
}

/** What stands before or in place of the animal where it is not plain meat or fish. */
const MADE: Partial<Record<ProductKey, (of: string) => string>> = {
  broth: (of) => `${of} broth`,
  soup: (of) => `${of} soup`,
  "soup-seafood": (of) => `${of} soup`,
  "stewed-meat": (of) => `${of} stew`,
  "chile-con-carne": (of) => `${of} chilli`,
  "red-meat-ground": (of) => `ground ${of}`,
  "fish-smoked": (of) => `smoked ${of}`,
};

/** `wild boar`, `pronghorn broth`, `smoked lake trout`. */
export function foodWords(product: ProductKey, species: readonly string[]): string {
  const of = speciesWords(species);
  return MADE[product]?.(of) ?? of;
}

/** `9 pints of wild boar`; several packs joined: `6 pints of wild boar and 2 quarts of lake trout`. */
export function loadWords(
  packs: readonly {
    container: ContainerKey;
    mouth: Mouth | null;
    count: number;
    species: readonly string[];
  }[],
): string {
  const parts = packs.map(
    (p) => `${containersWords(p.container, p.mouth, p.count)} of ${speciesWords(p.species)}`,
  );
  return parts.length < 2 ? (parts[0] ?? "nothing") : `${parts.slice(0, -1).join(", ")} and ${parts.at(-1)}`;
}

/** `3 pints of water`, `2 quarts of beans`; what fills up a canner beside its load. */
export function fillersWords(fillers: readonly Filler[]): string {
  return fillers.map((f) => `${kindWords(f.kind, f.count)} of ${f.of}`).join(" and ");
}

/** `9 pints of wild boar, filled up with 3 pints of water`. */
export function filledLoadWords(
  packs: Parameters<typeof loadWords>[0],
  fillers: readonly Filler[] | undefined,
): string {
  return fillers?.length ? `${loadWords(packs)}, filled up with ${fillersWords(fillers)}` : loadWords(packs);
}

/** What becomes of the containers that only filled up the canner of a run; null when there were none. */
export function fillersAfter(fillers: readonly Filler[] | undefined, run: string): string | null {
  if (!fillers?.length) return null;
  return fillers
    .map((f) =>
      f.of === "water"
        ? `${kindWords(f.kind, f.count)} of water: pour them out and use the jars again.`
        : `${kindWords(f.kind, f.count)} of beans: keep those whose lids are down. Write “Beans, run ${run}” and the day on them; they are not counted here.`,
    )
    .join(" ");
}
