import { formatAltitude, likelyReading, parseQuantity, type UnitSystem, type Writing } from "#core/quantity";
import { ALTITUDE_RANGE_M } from "#core/schedule";

/** Why an altitude as typed cannot be where somebody stands at a stove, with what was probably meant; null when it can. */
export function altitudeProblem(text: string, writing: UnitSystem | Writing): string | null {
  const parsed = parseQuantity(text, "altitude", writing);
  if (!parsed.ok) return parsed.message;
  const { low, high } = ALTITUDE_RANGE_M;
  if (parsed.si >= low && parsed.si <= high) return null;
  const system = parsed.unit.symbol === "m" ? "metric" : "us";
  const meant = likelyReading(parsed.si, parsed.unit, "altitude", low, high);
  const tenth =
    parsed.si > high && parsed.si / 10 <= high ? ` Was it ${formatAltitude(parsed.si / 10, system)}?` : "";
  const other = meant
    ? ` If you meant ${formatAltitude(meant.si, meant.unit.symbol === "m" ? "metric" : "us")}, type that unit.`
    : "";
  return `Nobody keeps a kitchen at ${formatAltitude(parsed.si, system)}; type one from ${formatAltitude(low, system)} to ${formatAltitude(high, system)}.${tenth}${other}`;
}
