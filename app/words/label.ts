import { localDay } from "#core/calendar";
import { capital, formatPressure, type UnitSystem } from "#core/quantity";
import type { Shelved } from "#store/shelf";
import { containersWords, foodWords } from "./load";
import { dayWords } from "./time";

/** What stands on a label, line by line, the most needed first. */
export interface LabelText {
  code: string;
  /** `Wild boar, shoulder` */
  contents: string;
  /** `pint, raw pack` */
  packed: string;
  /** `Canned 20 Nov 2026` */
  canned: string;
  bestBy: string;
  /** `75 min at 13 lb` */
  process: string;
  lot: string;
  /** what must not be overlooked; empty for none */
  care: string;
}

/** A mixed dish by its name, other food by its animal and part. */
const contentWords = (c: Shelved) =>
  c.dish ?? `${foodWords(c.product, c.species)}${c.product === "broth" ? "" : `, ${c.part.toLowerCase()}`}`;

/** `75`, or with what was added to it by choice `75 + 5`. */
const minutesOf = (c: Shelved, extra: number) => (extra > 0 ? `${c.minutes} + ${extra}` : `${c.minutes}`);

/**
 * The words of a container's label, in the household's units and zone.
 *
 * @param extra whole minutes beyond the scheduled ones that were run to their end
 */
export function labelText(c: Shelved, units: UnitSystem, zone: string, extra = 0): LabelText {
  return {
    code: c.code,
    contents: capital(contentWords(c)),
    packed: `${containersWords(c.kind, c.mouth, 1).replace(/^1 /, "")}, ${c.method} pack`,
    canned: `Canned ${dayWords(localDay(c.cannedAt, zone))}`,
    bestBy: `Best by ${dayWords(localDay(c.bestBy, zone))}`,
    process: `${minutesOf(c, extra)} min at ${formatPressure(c.floorKPa, units)}`,
    lot: `Lot ${c.lotCodes.join(", ")} · run ${c.runCode}`,
    care: c.deviations.length > 0 ? "Signed for: see its story" : "",
  };
}

/** The same to be written on a lid with a marker: short, in capitals, the code last and alone. */
export function handWords(c: Shelved, units: UnitSystem, zone: string, extra = 0): string[] {
  const day = dayWords(localDay(c.cannedAt, zone)).toUpperCase();
  return [
    contentWords(c).toUpperCase(),
    day,
    `${minutesOf(c, extra)} MIN ${formatPressure(c.floorKPa, units).toUpperCase()}`,
    `LOT ${c.lotCodes.join(" ")}`,
    c.code,
  ];
}
