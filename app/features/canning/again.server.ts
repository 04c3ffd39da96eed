import type { CanningBegun, CanningWork, JarsChosen } from "#store/canning";
import { lastCanning } from "#store/canning";
import { arrangeLoad, kindKey } from "#core/capacity";
import { getCanner, listCanners } from "#store/equipment";
import { getLot, lotsInStock, type Lot } from "#store/lot";
import type { Home } from "../../server/context";
import { loadWords } from "../../words/load";

/** The last canning once more, from food that is there now. */
export interface Again {
  begun: CanningBegun;
  chosen: JarsChosen;
  /** `6 pints of venison` */
  title: string;
}

/**
 * Returns the last guided canning as it would be done again: the same sizes and counts, the same way, the same canner, from
 * lots of the same animal and form. Null when there was none, or no such food is there in that amount.
 */
export function sameAsLast({ larder }: Home): Again | null {
  const last = lastCanning(larder);
  if (!last?.cannerId || !listCanners(larder).some((c) => c.id === last.cannerId)) return null;
  const { parts, recipeId } = last.work;
  const swapped = swapLots(larder, parts);
  if (!swapped) return null;
  const counts: Record<string, number> = {};
  for (const p of swapped) {
    const kind = kindKey(p.container, p.mouth);
    counts[kind] = (counts[kind] ?? 0) + p.planned;
  }
  return {
    begun: { lotIds: [...new Set(swapped.map((p) => p.lotId))], recipeId },
    chosen: {
      cannerId: last.cannerId,
      parts: swapped,
      layers:
        last.work.layers.length > 0
          ? last.work.layers
          : arrangeLoad(getCanner(larder, last.cannerId).pot, counts),
    },
    title: loadWords(
      swapped.map((p) => ({
        container: p.container,
        mouth: p.mouth,
        count: p.planned,
        product: p.product,
        species: getLot(larder, p.lotId).species,
        dish: p.dish ?? null,
      })),
    ),
  };
}

/** The parts with lots that are there now in place of the old ones; null when one has no such lot, or too little of it. */
function swapLots(larder: Home["larder"], parts: CanningWork["parts"]): CanningWork["parts"] | null {
  const stock = lotsInStock(larder).filter((l) => l.notPackable === null);
  const taken = new Map<string, number>();
  const swapped: CanningWork["parts"] = [];
  for (const p of parts) {
    const was = getLot(larder, p.lotId);
    const needs = p.planned * p.kgEach;
    const next = stock.find((l) => isLike(l, was) && l.leftKg - (taken.get(l.id) ?? 0) >= needs - 1e-6);
    // Broth of a lot and a second lot are of that day: they are chosen again.
    if (!next || p.liquidLotId || p.also?.length) return null;
    taken.set(next.id, (taken.get(next.id) ?? 0) + needs);
    swapped.push({ ...p, lotId: next.id, confirmed: [], lidBoxId: null });
  }
  return swapped;
}

const isLike = (a: Lot, b: Lot): boolean =>
  a.form === b.form &&
  a.species[0] === b.species[0] &&
  a.treatments.includes("cook") === b.treatments.includes("cook");
