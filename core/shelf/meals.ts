import { shapeOf, type ContainerKey } from "../schedule/index.ts";

/** One person's share of meat in a meal, ml of container: half a pint. Common practice, no source: pints serve two. */
const SERVING_ML = 236.6;
/** Fresh meat and fish in parcels, kg a litre of freezer: the meat's own density less the gaps. Assumed, from memory. */
const PARCEL_KG_L = 0.8;

/** How many people one container serves, to the half. */
export function servingsOf(kind: ContainerKey): number {
  return Math.round((2 * shapeOf(kind).nominalMl) / SERVING_ML) / 2;
}

/** Whole meals in containers, so many of each kind. @param eaters people at the table, from 1 */
export function mealsOf(stock: readonly { kind: ContainerKey; count: number }[], eaters: number): number {
  if (!(eaters >= 1)) throw new RangeError(`somebody must eat, got ${eaters}`);
  return Math.floor(stock.reduce((sum, { kind, count }) => sum + count * servingsOf(kind), 0) / eaters);
}

/** Freezer room that meat of this weight would take, litres. */
export function freezerLitres(massKg: number): number {
  return massKg / PARCEL_KG_L;
}
