import { MM_PER_IN } from "#core/quantity";
import { isCan, type ContainerKey, type PackMethod, type ProductKey } from "../schedule/index.ts";

/** Liquids a pack may be covered with. Raw packs take none by the published way. */
export const LIQUIDS = ["none", "water", "broth", "tomato juice"] as const;
export type Liquid = (typeof LIQUIDS)[number];

/**
 * Most salt that is still only flavour, teaspoons a container: 1 a pint and 2 a quart, in proportion for other
 * sizes. Source: USDA 2015 from memory (½ to 1 tsp a pint, 1 to 2 a quart); smaller sizes in proportion, common practice.
 */
export function mostSaltTsp(container: ContainerKey): number {
  const most: Record<ContainerKey, number> = {
    "jar-quarter-pint": 0.25,
    "jar-half-pint": 0.5,
    "jar-pint": 1,
    "jar-pint-and-half": 1.5,
    "jar-quart": 2,
    "jar-half-gallon": 4,
    "can-half-pound": 0.5,
    "can-one-pound": 1,
  };
  return most[container];
}

/**
 * Liquid to have ready for one container, litres: room between pieces and up to the headspace.
 *
 * Common practice, no source: about a quarter of a jar's volume for hot pieces, a fifth for raw ones topped with
 * water, and all of it when the product is itself liquid.
 */
export function liquidLitres(
  nominalMl: number,
  pack: PackMethod,
  liquid: Liquid,
  allLiquid: boolean,
): number {
  if (liquid === "none") return 0;
  if (allLiquid) return (nominalMl / 1000) * 0.9;
  return (nominalMl / 1000) * (pack === "hot" ? 0.27 : 0.2);
}

/** Water to stand jars in, by pack: as warm as what goes in, so that glass does not crack. Common practice. */
export function jarWater(pack: PackMethod, container: ContainerKey): string {
  if (isCan(container)) return "Simmering, half way up the open cans, to exhaust them.";
  return pack === "hot" ? "Hot, about 180 °F (82 °C)." : "Warm, about 140 °F (60 °C).";
}

/** What goes in, and how big a piece of it is. */
export interface Piece {
  /** edge of a cube, mm; null where pieces are not cubes */
  edgeMm: number | null;
  words: string;
}

/** Size of pieces. USDA 2015 from memory: strips, cubes or chunks about an inch; fish in jar-length sections. */
export function pieceOf(product: ProductKey, container: ContainerKey): Piece {
  if (product === "can-fish") return { edgeMm: null, words: `sections cut to the can, skin outwards` };
  if (product.startsWith("fish") || product === "tuna")
    return {
      edgeMm: null,
      words:
        container === "jar-quart"
          ? "sections as long as the jar, skin outwards"
          : "jar-length sections, skin outwards",
    };
  if (product === "red-meat-ground") return { edgeMm: null, words: "loose, or small patties" };
  if (product === "broth") return { edgeMm: null, words: "strained, fat skimmed off" };
  return { edgeMm: MM_PER_IN, words: "about 1 in (25 mm) all round" };
}
