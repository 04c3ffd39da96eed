import {
  formatDuration,
  formatMass,
  formatPressure,
  formatTemperature,
  formatVolume,
  ftFromM,
  inFromMm,
  kPaFromPsi,
  mmFromIn,
  type UnitSystem,
} from "#core/quantity";
import { kindKey } from "#core/capacity";
import { CHECK_ITEMS } from "#core/check";
import { CAN_ROWS, JAR_ROWS, SHAPES } from "#core/schedule";
import { VISUAL_DEFECTS } from "#core/seam";
import { FORM_NAMES, speciesByKey } from "#core/species";
import { clockTime, longDay, type Times } from "./time";

/** How a household writes, as far as a change is told. */
export interface Writing {
  units: UnitSystem;
  times: Times;
}

/** Quantities by how the name they are kept under ends: the household's own units, whatever they were kept in. */
const QUANTITIES: readonly [RegExp, (n: number, w: Writing) => string][] = [
  [/Kg(Each)?$|^kgEach$/, (n, w) => formatMass(n, w.units)],
  [/KPa$/, (n, w) => formatPressure(n, w.units)],
  [/Psi$/, (n, w) => formatPressure(kPaFromPsi(n), w.units)],
  [/[a-z]Mm$/, (n, w) => lengthWords(n, w.units)],
  [/Litres(Each)?$/, (n, w) => formatVolume(n, w.units)],
  [/Min(utes)?$|^minutes$/, (n) => `${round(n)} min`],
  [/[a-z]In$/, (n, w) => lengthWords(mmFromIn(n), w.units)],
  [/Tsp(Each|Pint)?$/, (n) => `${round(n)} tsp`],
  [/[a-z]Ft$/, (n) => `${round(n)} ft`],
  [/[a-z]C$/, (n, w) => formatTemperature(n, w.units)],
  [/^altitudeM$/, (n, w) => (w.units === "us" ? `${Math.round(ftFromM(n))} ft` : `${Math.round(n)} m`)],
  [/[a-z]S$/, (n) => formatDuration(n)],
  [/[a-z](At|Until|By)$|^at$/, (n, w) => `${longDay(n, w.times)} ${clockTime(n, w.times)}`],
  [/Percent$/, (n) => `${round(n)} %`],
];

/** Lengths of a seam, which are kept under its own names, mm. */
const SEAM = ["width", "thickness", "countersink", "bodyHook", "coverHook", "overlap"];

/** What is kept under a key of its own, by the name of the field. */
const CALLED: Record<string, (key: string) => string | undefined> = {
  product: (key) => [...JAR_ROWS, ...CAN_ROWS].find((r) => r.key === key)?.name,
  container: (key) => SHAPES.find((s) => s.key === key)?.name,
  species: (key) => speciesByKey(key)?.name,
  form: (key) => FORM_NAMES[key as keyof typeof FORM_NAMES],
  item: (key) => CHECK_ITEMS.find((i) => i.key === key)?.name,
  key: (key) => VISUAL_DEFECTS.find((d) => d.key === key)?.name,
};

/** Names that say something else, or nothing, once their unit is off. */
const NAMED: Record<string, string> = {
  massKg: "weight",
  kgEach: "weight of each",
  key: "defect",
  floorKPa: "minimum on this gauge",
  minProcessKPa: "minimum pressure",
  marginKPa: "held above it by",
  safeMaxKPa: "the canner's limit",
  errorKPa: "reads high by",
  governs: "goes by",
  minutes: "process time",
  ventMinutes: "venting",
  minBurnerToVentEndMinutes: "burner lit to end of venting, at least",
  unwatchedLimitS: "look at least every",
  settleMinutes: "wait before opening",
  restHours: "hours of rest",
  wrinklePercent: "worst wrinkle",
};

const round = (n: number) => Math.round(n * 1000) / 1000;
const lengthWords = (mm: number, units: UnitSystem) =>
  units === "us" ? `${round(inFromMm(mm))} in` : `${Math.round(mm * 100) / 100} mm`;
const IS_ID = /^[0-9a-f]{8}-[0-9a-f-]{27}$/;
const IS_DAY = /^\d{4}-\d\d-\d\d$/;
const UNIT_END = /(?<=[a-z])(Kg|KPa|Psi|Mm|Litres|In|Tsp|Ft|C|S|M)(?=$|Each$|Pint$)/;

/** What a change is kept under, as words: `massKg` is `mass`. The unit stands with the value. */
export function fieldWords(name: string): string {
  const named = NAMED[name] ?? SHAPES.find((s) => kindKey(s.key, s.mouth) === name)?.plural;
  if (named) return named;
  return name
    .replace(UNIT_END, "")
    .replace(/([a-z])([A-Z])/g, "$1 $2")
    .toLowerCase();
}

/**
 * A value of a change as somebody reads it, in the household's units; null where there is nothing to read: nothing, or a
 * key only machines use.
 *
 * @param name what it is kept under
 */
export function valueWords(value: unknown, writing: Writing, name = ""): string | null {
  if (value === null || value === undefined || value === "") return null;
  if (typeof value === "string") {
    if (IS_ID.test(value)) return null;
    if (IS_DAY.test(value)) return longDay(Date.parse(value), { ...writing.times, zone: "UTC" });
    return CALLED[name]?.(value) ?? value;
  }
  if (typeof value === "boolean") return value ? "yes" : "no";
  if (typeof value === "number") {
    if (SEAM.includes(name)) return lengthWords(value, writing.units);
    return QUANTITIES.find(([ends]) => ends.test(name))?.[1](value, writing) ?? String(round(value));
  }
  if (Array.isArray(value))
    return value.flatMap((v) => valueWords(v, writing, name) ?? []).join("; ") || null;
  return (
    Object.entries(value)
      .flatMap(([key, v]) => {
        const words = valueWords(v, writing, key);
        return words === null ? [] : [`${fieldWords(key)}: ${words}`];
      })
      .join(", ") || null
  );
}

/** What was written down with a change, as names and values to read; without what only machines use. */
export function detailsOf(
  detail: Record<string, unknown>,
  writing: Writing,
): [name: string, value: string][] {
  return Object.entries(detail).flatMap(([name, v]): [string, string][] => {
    const value = valueWords(v, writing, name);
    return value === null ? [] : [[fieldWords(name), value]];
  });
}
