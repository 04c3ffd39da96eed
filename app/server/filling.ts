import { kindKey, kindParts, type LayerFill } from "#core/capacity";
import { placesOf, type Placed, type ProposedLoad } from "#core/plan";
import { mostSaltTsp, type Liquid } from "#core/pack";
import { dishRow, liquidOfDish } from "#core/recipe";
import { isCan, scheduledProcess, type PackMethod, type ProductKey } from "#core/schedule";
import { type BenchNow, type BenchPartInput } from "#store/filling";
import { getCanner } from "#store/equipment";
import { type Recipe } from "#store/recipe";
import { type Home } from "./context";

/** What a plain pack is covered with the published way, until somebody says otherwise. */
const liquidOf = ({ product, pack }: { product: ProductKey; pack: PackMethod }): Liquid =>
  product !== "broth" && pack === "hot" ? "water" : "none";

/** A planned load as it comes to the packing bench: packed the published way until somebody says otherwise. */
export function benchPartsOf(
  load: ProposedLoad,
  saltTspPint: number,
  altitudeM: number,
  /** the recipe a lot goes into; null for a plain pack */
  recipeOf: (lotId: string) => Recipe | null,
): BenchPartInput[] {
  return load.parts.map((p) => {
    const { container, mouth } = kindParts(p.kind);
    const asked = scheduledProcess({
      product: p.product,
      pack: p.pack,
      container,
      gauge: "weighted",
      altitudeM,
    });
    const recipe = recipeOf(p.lotId);
    return {
      lotId: p.lotId,
      product: p.product,
      method: p.pack,
      container,
      mouth,
      planned: p.count,
      kgEach: p.kgEach,
      liquid: recipe ? liquidOfDish(dishRow(recipe.dish, recipe.ingredients)) : liquidOf(p),
      saltTsp: isCan(container) ? 0 : saltTspPint * mostSaltTsp(container),
      headspaceIn: asked.outcome !== "none" ? asked.headspaceIn : 1,
      reusedLids: false,
      lidBoxId: null,
      additions: null,
      dish: recipe?.name ?? null,
      reason: null,
      office: null,
    };
  });
}

export interface BenchPlace extends Placed {
  /** part of the load it is kept for, and which of its containers */
  part: number;
  number: number;
}

/** Where each container of a load will stand, layer by layer from the bottom; none when no canner is chosen. */
export function benchPlaces(home: Home, bench: BenchNow): BenchPlace[][] {
  if (!bench.cannerId || bench.layers.length === 0) return [];
  const { pot } = getCanner(home.larder, bench.cannerId);
  const parts = bench.parts.map((p) => ({
    lotId: String(p.index),
    kind: kindKey(p.container, p.mouth),
    count: p.planned,
  }));
  let places: Placed[][];
  try {
    places = placesOf(pot, { layers: bench.layers as LayerFill[], parts });
  } catch (error) {
    // The canner was measured anew since, and is smaller: the load is still filled, and stands where it can.
    if (error instanceof RangeError) return [];
    throw error;
  }
  const seen = new Map<number, number>();
  return places.map((layer) =>
    layer.map((place) => {
      const part = Number(place.lotId);
      const number = (seen.get(part) ?? 0) + 1;
      seen.set(part, number);
      return { ...place, part, number };
    }),
  );
}
