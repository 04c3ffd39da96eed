import { formatDecimal, formatFraction } from "./number.ts";
import { KG_PER_LB, fFromC, fromSi, inFromMm, psiFromKPa, unitBySymbol, type UnitSystem } from "./unit.ts";

/**
 * Returns a weight as text: `3 lb 5 oz` (to the half ounce under 2 lb, else to the ounce), or `1.50 kg` (`340 g` under
 * 1 kg).
 *
 * @param kg kg, ≥ 0
 */
export function formatMass(kg: number, system: UnitSystem): string {
  if (system === "metric") {
    return kg < 0.9995 ? `${formatDecimal(kg * 1000, 0)} g` : `${kg.toFixed(2)} kg`;
  }
  const ounces = kg / (KG_PER_LB / 16);
  const rounded = ounces < 32 ? Math.round(ounces * 2) / 2 : Math.round(ounces);
  const lb = Math.floor(rounded / 16);
  const oz = rounded - lb * 16;
  if (lb === 0) return `${formatFraction(oz)} oz`;
  // Without a mark of thousands: what is shown in a field must read back as one amount.
  return oz === 0 ? `${lb} lb` : `${lb} lb ${formatFraction(oz)} oz`;
}

/**
 * Returns a total weight for a headline: `31 kg` or `68 lb`, with one decimal under ten.
 *
 * @param kg kg, ≥ 0
 */
export function formatMassShort(kg: number, system: UnitSystem): string {
  const value = system === "metric" ? kg : kg / KG_PER_LB;
  return `${formatDecimal(value, value < 10 ? 1 : 0)} ${system === "metric" ? "kg" : "lb"}`;
}

/**
 * Returns a short length such as headspace: `1¼ in` or `32 mm`.
 *
 * @param m length, m, ≥ 0
 */
export function formatLength(m: number, system: UnitSystem): string {
  if (system === "metric") return `${formatDecimal(m * 1000, 0)} mm`;
  return `${formatFraction(inFromMm(m * 1000), 2)} in`;
}

/**
 * Returns an altitude to the whole unit: `2,300 ft` or `700 m`.
 *
 * @param m meters above sea level; may be below 0
 */
export function formatAltitude(m: number, system: UnitSystem): string {
  const unit = unitBySymbol("altitude", system === "us" ? "ft" : "m");
  return `${formatDecimal(fromSi(m, unit), 0)} ${unit.symbol}`;
}

/**
 * Returns an altitude as it goes into a field, without a thousands separator: `2300 ft`.
 *
 * @param m meters above sea level; may be below 0
 */
export function typedAltitude(m: number, system: UnitSystem): string {
  return formatAltitude(m, system).replaceAll(",", "");
}

/**
 * Returns a gauge pressure: `13 lb`, `13.4 lb` or `90 kPa`.
 *
 * @param kPa gauge pressure, kPa
 */
export function formatPressure(kPa: number, system: UnitSystem): string {
  if (system === "metric") return `${formatDecimal(kPa, 0)} kPa`;
  return `${formatDecimal(psiFromKPa(kPa), 1)} lb`;
}

/**
 * Returns a temperature: `240 °F` or `115.6 °C`.
 *
 * @param c temperature, °C
 */
export function formatTemperature(c: number, system: UnitSystem): string {
  return system === "us" ? `${formatDecimal(fFromC(c), 1)} °F` : `${formatDecimal(c, 1)} °C`;
}

/**
 * Returns a volume of liquid: `3.2 qt` or `3.0 L`.
 *
 * @param litres liters, ≥ 0
 */
export function formatVolume(litres: number, system: UnitSystem): string {
  if (system === "metric") {
    return litres < 1 ? `${formatDecimal(litres * 1000, 0)} ml` : `${formatDecimal(litres, 1)} L`;
  }
  const quarts = fromSi(litres, unitBySymbol("volume", "qt"));
  return quarts < 0.25 ? `${formatDecimal(quarts * 4, 1)} cups` : `${formatDecimal(quarts, 1)} qt`;
}

/**
 * Returns a small amount by the spoon: `1½ tsp`, `2 tbsp`.
 *
 * @param tsp teaspoons, ≥ 0
 */
export function formatSpoons(tsp: number): string {
  return tsp >= 3 && tsp % 3 === 0 ? `${formatFraction(tsp / 3)} tbsp` : `${formatFraction(tsp)} tsp`;
}
