import { MM_PER_IN } from "#core/quantity";
import { isCan, type ContainerKey, type PackMethod, type ProductKey } from "../schedule/index.ts";

/** Liquids a pack may be covered with. Raw packs take none by the published way. */
export const LIQUIDS = ["none", "water", "broth", "tomato juice"] as const;
export type Liquid = (typeof LIQUIDS)[number];

/** One ingredient of a dish as it goes into each container. */
export interface JarIngredient {
  name: string;
  role: string;
  /** weight, kg; of a liquid its volume, liters; 0 for a seasoning without an amount */
  amount: number;
}

/** Weight of a liter of broth, water or juice, kg. Standard value; broth and juice differ by little. */
export const LIQUID_KG_L = 1;

/**
 * Returns the most salt that is still for flavor, teaspoons a container, > 0: 1 for a pint, 2 for a quart, in
 * proportion for other sizes.
 *
 * Source: USDA 2015, from memory (½ to 1 tsp a pint, 1 to 2 a quart); smaller sizes are common practice, no source.
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
 * Returns the liquid to have ready for one container, liters, ≥ 0: about a quarter of its volume for hot pieces, a
 * fifth for raw ones, nine tenths when the product is itself liquid. Common practice, no source.
 *
 * @param nominalMl volume of the container, ml, > 0
 * @param allLiquid the product is a liquid, such as broth
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

/**
 * Returns how warm the canner's water is to be when containers go in, in words: as warm as they are, so that glass
 * does not crack. Common practice, no source.
 */
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

/**
 * Returns how large the pieces of a product are: the edge of a cube, mm, null where they are not cubes, and words for
 * it.
 *
 * Source: USDA 2015, from memory.
 */
export function pieceOf(product: ProductKey, container: ContainerKey): Piece {
  if (product === "can-fish") return { edgeMm: null, words: `sections cut to the can, skin out` };
  if (product.startsWith("fish") || product === "tuna")
    return {
      edgeMm: null,
      words:
        container === "jar-quart" ? "sections as long as the jar, skin out" : "jar-length sections, skin out",
    };
  if (product === "red-meat-ground") return { edgeMm: null, words: "loose, or small patties" };
  if (product === "broth") return { edgeMm: null, words: "strained, fat skimmed off" };
  return { edgeMm: MM_PER_IN, words: "about 1 in (25 mm) all round" };
}
