import type { Larder } from "#store/db";
import type { BrothFrom } from "#core/guard";
import { LIQUID_KG_L, liquidLitres, type JarIngredient } from "#core/pack";
import { isBroth, type DishJar } from "#core/recipe";
import { shapeOf, type ContainerKey, type Mouth, type PackMethod, type ProductKey } from "#core/schedule";
import { groupOf } from "#core/species";
import { addMass } from "./insert.ts";
import { getLot, lotsInStock, type Lot } from "#store/lot";
import { jarOfRecipe } from "#store/recipe";

/** What a pack is covered with, as somebody said it. */
export interface LiquidSaid {
  product: ProductKey;
  method: PackMethod;
  container: ContainerKey;
  mouth: Mouth | null;
  liquid: string;
  /** the lot its broth comes from */
  liquidLotId?: string | null | undefined;
  /** broth that was bought, or stock from a cube, by name */
  liquidName?: string | null | undefined;
  /** name of the recipe of a mixed dish */
  dish?: string | null | undefined;
}

/** Returns what each container of a pack is covered with, liters: by its recipe, or as common practice has it; 0 for none. */
export function litresEach(larder: Larder, said: LiquidSaid): number {
  const jar = jarOf(larder, said);
  if (jar) {
    const poured = (of: (name: string) => boolean) =>
      jar.liquids.filter((l) => of(l.name)).reduce((sum, l) => sum + l.amount, 0);
    return (said.liquid === "broth" && poured(isBroth)) || poured(() => true);
  }
  const { nominalMl } = shapeOf(said.container, said.mouth);
  return liquidLitres(
    nominalMl,
    said.method,
    said.liquid as Parameters<typeof liquidLitres>[2],
    said.product === "broth",
  );
}

/** Returns what goes into each container beside its food by the recipe, as it is kept now; null for plain food. */
export function ingredientsOf(larder: Larder, said: LiquidSaid): JarIngredient[] | null {
  const jar = jarOf(larder, said);
  return jar && [...jar.solids, ...jar.liquids, ...jar.seasonings];
}

const jarOf = (larder: Larder, said: LiquidSaid): DishJar | null =>
  said.dish ? jarOfRecipe(larder, said.dish, said.container, said.mouth) : null;

/** Returns whether a pack is covered with broth from a lot. */
export const isFromLot = (said: LiquidSaid): said is LiquidSaid & { liquidLotId: string } =>
  said.liquid === "broth" && said.product !== "broth" && Boolean(said.liquidLotId);

/**
 * Returns where the broth of a pack comes from, as the guards of packing are asked about it; null when there is none, or
 * nobody said. Throws Refused (404) when there is no such lot.
 *
 * @param count containers that are filled, whole, ≥ 1
 */
export function brothFrom(larder: Larder, said: LiquidSaid, count: number): BrothFrom | null {
  if (said.liquid !== "broth") return null;
  if (isFromLot(said)) {
    const lot = getLot(larder, said.liquidLotId);
    const { code, form, leftKg } = lot;
    const neededKg = litresEach(larder, said) * count * LIQUID_KG_L;
    return { from: "lot", code, form, ofFish: isOfFishLot(lot), leftKg, neededKg };
  }
  const name = said.liquidName?.trim();
  return name ? { from: "bought", name } : null;
}

/** Puts broth of a lot into a pack, or takes it out with less than nothing; call inside a write. */
export function pourBroth(larder: Larder, packId: string, lotId: string, litres: number): void {
  // Poured by eye: the last of it goes in though the books have a drop less.
  addMass(larder, packId, lotId, Math.min(litres * LIQUID_KG_L, getLot(larder, lotId).leftKg), true);
}

/** Returns whether any of a lot is fish. */
export const isOfFishLot = ({ species }: Pick<Lot, "species">): boolean =>
  species.some((s) => ["fish", "tuna"].includes(groupOf([s])));

/** Returns the lots of broth that may be poured now, the one to be used first before the others. */
export function brothLots(larder: Larder): Lot[] {
  return lotsInStock(larder)
    .filter((l) => l.form === "broth" && l.notPackable === null)
    .sort((a, b) => (a.freshUntil ?? Infinity) - (b.freshUntil ?? Infinity) || a.madeAt - b.madeAt);
}
