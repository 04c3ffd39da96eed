import { countOf } from "#core/quantity";
import type { Filler } from "#core/run";
import { kindWords } from "./plan";
import { shapeOf, type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { nameInText, speciesByKey } from "#core/species";

/** `9 pints`, `1 wide-mouth quart`. */
export function containersWords(kind: ContainerKey, mouth: Mouth | null, count: number): string {
  const shape = shapeOf(kind, mouth);
  return countOf(count, shape.name, shape.plural);
}

/** `wild boar`, `Canada goose`; the key of an animal nobody knows any more. */
export function speciesName(key: string): string {
  const known = speciesByKey(key);
  return known ? nameInText(known) : key;
}

/** `wild boar`, `lake trout and pike`. */
export function speciesWords(keys: readonly string[]): string {
  const names = keys.map(speciesName);
  return names.length < 2 ? (names[0] ?? "meat") : `${names.slice(0, -1).join(", ")} and ${names.at(-1)}`;
}

/** What stands before or in place of the animal where it is not plain meat or fish. */
const MADE: Partial<Record<ProductKey, (of: string) => string>> = {
  broth: (of) => `${of} broth`,
  soup: (of) => `${of} soup`,
  "soup-seafood": (of) => `${of} soup`,
  "stewed-meat": (of) => `${of} stew`,
  "chile-con-carne": (of) => `${of} chili`,
  "red-meat-ground": (of) => `ground ${of}`,
  "fish-smoked": (of) => `smoked ${of}`,
};

/** `wild boar`, `pronghorn broth`, `smoked lake trout`. */
export function foodWords(product: ProductKey, species: readonly string[]): string {
  const of = speciesWords(species);
  return MADE[product]?.(of) ?? of;
}

/** A pack as far as it is told in words. */
export interface ToldPack {
  container: ContainerKey;
  mouth: Mouth | null;
  count: number;
  product: ProductKey;
  species: readonly string[];
  /** the recipe's name; null for plain meat or fish */
  dish: string | null;
}

/** `9 pints of wild boar`, `12 pints of elk chili`, `6 quarts of Sunday stew`: a dish by its name. */
export function packWords(p: ToldPack): string {
  return `${containersWords(p.container, p.mouth, p.count)} of ${p.dish ?? foodWords(p.product, p.species)}`;
}

/** `shank of wild boar`, `whole fish of lake trout, gutted`; `Hare meat` where the part already names its animal. */
export function cutWords(part: string, species: readonly string[]): string {
  const of = speciesWords(species);
  if (part.toLowerCase().includes(of)) return part;
  const [first, ...rest] = part.split(", ");
  return [`${first} of ${of}`, ...rest].join(", ");
}

/** `9 pints of wild boar`; several packs joined: `6 pints of wild boar and 2 quarts of lake trout`. */
export function loadWords(packs: readonly ToldPack[]): string {
  const parts = packs.map(packWords);
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
