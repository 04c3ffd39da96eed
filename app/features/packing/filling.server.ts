import type { Household } from "#store/household";
import { kindKey, kindParts, type LayerFill } from "#core/capacity";
import { placesOf, type Placed, type ProposedLoad } from "#core/plan";
import { LIQUID_KG_L, mostSaltTsp, type Liquid } from "#core/pack";
import { dishRow, isBroth, jarOfDish, liquidOfDish, type DishJar } from "#core/recipe";
import { isCan, scheduledProcess, type PackMethod, type ProductKey } from "#core/schedule";
import type { BenchNow, BenchPartInput } from "#store/filling";
import { getCanner } from "#store/equipment";
import type { Recipe } from "#store/recipe";
import type { Home } from "../../server/context";

/** What a plain pack is covered with the published way, until somebody says otherwise. */
const liquidOf = ({ product, pack }: { product: ProductKey; pack: PackMethod }): Liquid =>
  product !== "broth" && pack === "hot" ? "water" : "none";

/** The household's own broth for a dish while there is enough of it, and else what the recipe calls it. */
function brothOf(
  jar: DishJar,
  count: number,
  broths: readonly { id: string; leftKg: number; ofFish: boolean }[],
  seafood: boolean,
  taken: Map<string, number>,
): Pick<BenchPartInput, "liquidLotId" | "liquidName"> {
  const poured = jar.liquids.filter((l) => isBroth(l.name));
  const kg = poured.reduce((sum, l) => sum + l.amount, 0) * count * LIQUID_KG_L;
  const own = broths.find((b) => (seafood || !b.ofFish) && b.leftKg - (taken.get(b.id) ?? 0) >= kg);
  if (!own) return { liquidLotId: null, liquidName: poured[0]?.name ?? "Broth" };
  taken.set(own.id, (taken.get(own.id) ?? 0) + kg);
  return { liquidLotId: own.id, liquidName: null };
}

/** A planned load as it comes to the packing bench: packed the published way until somebody says otherwise. */
export function benchPartsOf(
  load: {
    parts: readonly Pick<
      ProposedLoad["parts"][number],
      "lotId" | "kind" | "count" | "product" | "pack" | "kgEach"
    >[];
  },
  saltTspPint: number,
  { altitudeM, rows }: Pick<Household, "altitudeM" | "rows">,
  /** the recipe a lot goes into; null for a plain pack */
  recipeOf: (lotId: string) => Recipe | null,
  /** broth of the household's own, the one to be used first before the others */
  broths: readonly { id: string; leftKg: number; ofFish: boolean }[] = [],
): BenchPartInput[] {
  const taken = new Map<string, number>();
  return load.parts.map((p) => {
    const { container, mouth } = kindParts(p.kind);
    const asked = scheduledProcess({
      product: p.product,
      pack: p.pack,
      container,
      gauge: "weighted",
      altitudeM,
      rows,
    });
    const recipe = recipeOf(p.lotId);
    const answer = recipe && dishRow(recipe.dish, recipe.ingredients);
    const liquid = answer ? liquidOfDish(answer) : liquidOf(p);
    const ofDish = recipe && answer?.product ? jarOfDish(recipe.dish, answer, container, mouth) : null;
    return {
      lotId: p.lotId,
      product: p.product,
      method: p.pack,
      container,
      mouth,
      planned: p.count,
      kgEach: p.kgEach,
      liquid,
      ...(liquid === "broth" &&
        ofDish &&
        brothOf(ofDish, p.count, broths, p.product === "soup-seafood", taken)),
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
