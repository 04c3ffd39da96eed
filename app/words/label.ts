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

const contentWords = (c: Shelved) =>
  `${foodWords(c.product, c.species)}${c.product === "broth" ? "" : `, ${c.part.toLowerCase()}`}`;

/** The words of a container's label, in the household's units and zone. */
export function labelText(c: Shelved, units: UnitSystem, zone: string): LabelText {
  return {
    code: c.code,
    contents: capital(contentWords(c)),
    packed: `${containersWords(c.kind, c.mouth, 1).replace(/^1 /, "")}, ${c.method} pack`,
    canned: `Canned ${dayWords(localDay(c.cannedAt, zone))}`,
    bestBy: `Best by ${dayWords(localDay(c.bestBy, zone))}`,
    process: `${c.minutes} min at ${formatPressure(c.floorKPa, units)}`,
    lot: `Lot ${c.lotCodes.join(", ")} · run ${c.runCode}`,
    care: c.deviations.length > 0 ? "Signed for: see its story" : "",
  };
}

/** The same to be written on a lid with a marker: short, in capitals, the code last and alone. */
export function handWords(c: Shelved, units: UnitSystem, zone: string): string[] {
  const day = dayWords(localDay(c.cannedAt, zone)).toUpperCase();
  return [
    contentWords(c).toUpperCase(),
    day,
    `${c.minutes} MIN ${formatPressure(c.floorKPa, units).toUpperCase()}`,
    `LOT ${c.lotCodes.join(" ")}`,
    c.code,
  ];
}
