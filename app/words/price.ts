import type { PriceKey, Prices } from "#core/cost";
import { toSi, unitBySymbol, type UnitSystem } from "#core/quantity";

/** Prices by weight are said in the household's own unit and kept per kilogram. */
const PER_MASS: readonly PriceKey[] = ["meat-kg", "worth-kg"];
const massUnit = (units: UnitSystem) => (units === "us" ? "lb" : "kg");
const kgOf = (units: UnitSystem) => toSi(1, unitBySymbol("mass", massUnit(units)));
const perKg = (amount: number, units: UnitSystem) => amount / kgOf(units);
const perUnit = (amount: number, units: UnitSystem) => amount * kgOf(units);

/** Prices as typed, by the household's own unit of weight, as they are kept. */
export function pricesKept(prices: Prices, units: UnitSystem): Prices {
  const kept = { ...prices };
  for (const k of PER_MASS) if (kept[k] !== undefined) kept[k] = perKg(kept[k], units);
  return kept;
}

/** A price as it is kept, as the household says it; empty when it has said none. */
export function priceShown(key: PriceKey, prices: Prices, units: UnitSystem): string {
  const amount = prices[key];
  if (amount === undefined) return "";
  const shown = PER_MASS.includes(key) ? perUnit(amount, units) : amount;
  return String(Math.round(shown * 1000) / 1000);
}

/** What each price is called, and what it is of. */
export const PRICE_WORDS: Record<PriceKey, (units: UnitSystem) => { label: string; hint: string }> = {
  jar: () => ({ label: "A jar", hint: "new, without its lid" }),
  "jar-uses": () => ({ label: "A jar is used", hint: "so many times; 10 if you do not say" }),
  lid: () => ({ label: "A lid", hint: "one each time" }),
  can: () => ({ label: "A can with its end", hint: "used once" }),
  "energy-kwh": () => ({ label: "A kilowatt-hour", hint: "gas or power at the burner" }),
  "meat-kg": (u) => ({ label: `A ${massUnit(u)} of meat, bought`, hint: "0 for your own game" }),
  "worth-kg": (u) => ({ label: `You would pay for a ${massUnit(u)}`, hint: "of such meat, put up" }),
};
