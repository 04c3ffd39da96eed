import type { ProductKey } from "#core/schedule";
import type { Larder } from "#store/db";
import { packedSoFar, recordedFills } from "#store/pack";

/** What one container took in the household's own packs of these products, kg, by `product method container`. */
export function fillsOf(larder: Larder, products: readonly ProductKey[]): Record<string, number[]> {
  return Object.fromEntries(
    packedSoFar(larder)
      .filter((row) => products.includes(row.product))
      .map(({ product, method, container }) => [
        `${product} ${method} ${container}`,
        recordedFills(larder, product, method, container),
      ]),
  );
}
