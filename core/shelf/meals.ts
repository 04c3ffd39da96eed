import { shapeOf, type ContainerKey } from "../schedule/index.ts";

/** One person's share of meat in a meal, ml of container: half a pint. Common practice, no source: pints serve two. */
const SERVING_ML = 236.6;
/** Fresh meat and fish in parcels, kg a litre of freezer: the meat's own density less the gaps. Assumed, from memory. */
const PARCEL_KG_L = 0.8;

/** Returns how many people one container serves, in halves, > 0. Common practice, no source. */
export function servingsOf(kind: ContainerKey): number {
  return Math.round((2 * shapeOf(kind).nominalMl) / SERVING_ML) / 2;
}

/**
 * Returns how many whole meals some containers make, whole, ≥ 0. Common practice, no source.
 *
 * @param eaters people at the table, ≥ 1
 * @throws RangeError below 1
 */
export function mealsOf(stock: readonly { kind: ContainerKey; count: number }[], eaters: number): number {
  if (!(eaters >= 1)) throw new RangeError(`somebody must eat, got ${eaters}`);
  return Math.floor(stock.reduce((sum, { kind, count }) => sum + count * servingsOf(kind), 0) / eaters);
}

/**
 * Returns the freezer room that meat of this weight takes, liters, ≥ 0. Common practice, no source.
 *
 * @param massKg kg, ≥ 0
 */
export function freezerLitres(massKg: number): number {
  return massKg / PARCEL_KG_L;
}
