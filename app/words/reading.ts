import {
  formatPressure,
  kPaFromPsi,
  likelyReading,
  parseQuantity,
  type UnitSystem,
  type Writing,
} from "#core/quantity";
import { BELIEVABLE_KPA } from "#core/run";

/** A reading as typed, kPa on the face; or what is wrong with it, with what was probably meant. */
export function readGauge(
  text: string,
  writing: UnitSystem | Writing,
): { ok: true; kPa: number } | { ok: false; why: string } {
  const parsed = parseQuantity(text, "gaugePressure", writing);
  const units = typeof writing === "string" ? writing : writing.units;
  if (!parsed.ok) return { ok: false, why: parsed.message };
  if (parsed.si <= BELIEVABLE_KPA) return { ok: true, kPa: parsed.si };
  const likely = likelyReading(parsed.si, parsed.unit, "gaugePressure", kPaFromPsi(4), BELIEVABLE_KPA);
  const meant = likely
    ? ` Did you mean ${Math.round(Number.parseFloat(text) * 10) / 10} ${likely.unit.symbol}, which is ${formatPressure(likely.si, units)}? Type it with its unit.`
    : "";
  return { ok: false, why: `No canner shows ${formatPressure(parsed.si, units)}.${meant}` };
}
