import { localDay } from "#core/calendar";
import type { LabelStock } from "#core/label";
import { shapeOf } from "#core/schedule";
import {
  capital,
  formatDecimal,
  formatFraction,
  formatPressure,
  inFromMm,
  type UnitSystem,
} from "#core/quantity";
import type { Shelved } from "#store/shelf";
import { containersWords, foodWords } from "./load";
import { dayWords, type Times } from "./time";

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
export function labelText(c: Shelved, units: UnitSystem, times: Times, extra = 0): LabelText {
  return {
    code: c.code,
    contents: capital(contentWords(c)),
    packed: `${shapeOf(c.kind, c.mouth).name}, ${c.method} pack`,
    canned: `Canned ${dayWords(localDay(c.cannedAt, times.zone), times)}`,
    bestBy: `Best by ${dayWords(localDay(c.bestBy, times.zone), times)}`,
    process: `${minutesOf(c, extra)} min at ${formatPressure(c.floorKPa, units)}`,
    lot: `Lot ${c.lotCodes.join(", ")} · run ${c.runCode}`,
    care: c.deviations.length > 0 ? "Exception: see its page" : "",
  };
}

/** `7 pints of wild boar, shoulder, canned Nov 20, 2026 (KWH-P)`: the labels of one pack, to choose from. */
export function packLabelWords(c: Shelved, count: number, times: Times): string {
  const day = dayWords(localDay(c.cannedAt, times.zone), times);
  return `${containersWords(c.kind, c.mouth, count)} of ${contentWords(c)}, canned ${day} (${c.packCode})`;
}

/** `Pint of wild boar, shoulder, canned Nov 20, 2026: 7K4-R`: one container, by its own code. */
export const oneLabelWords = (c: Shelved, times: Times): string =>
  `${capital(shapeOf(c.kind, c.mouth).name)} of ${contentWords(c)}, canned ${dayWords(localDay(c.cannedAt, times.zone), times)}: ${c.code}`;

/** The same to be written on a lid with a marker: short, in capitals, the code last and alone. */
export function handWords(c: Shelved, units: UnitSystem, times: Times, extra = 0): string[] {
  const day = dayWords(localDay(c.cannedAt, times.zone), times).toUpperCase();
  return [
    contentWords(c).toUpperCase(),
    day,
    `${minutesOf(c, extra)} MIN ${formatPressure(c.floorKPa, units).toUpperCase()}`,
    `LOT ${c.lotCodes.join(" ")}`,
    c.code,
  ];
}

/** A measure of label material: to the nearest eighth of an inch, `2⅝`, or in whole and half millimeters. */
const side = (mm: number, units: UnitSystem) =>
  units === "us" ? formatFraction(Math.round(inFromMm(mm) * 8) / 8) : formatDecimal(mm, 1);

/** Label material as somebody buys it: `Letter sheet, 30 labels, 2⅝ × 1 in`. */
export function stockWords(stock: LabelStock, units: UnitSystem): string {
  const { name, form, label, columns, rows } = stock;
  const unit = units === "us" ? "in" : "mm";
  const size = `${side(label.width, units)} × ${side(label.height, units)} ${unit}`;
  if (form === "sheet") return `${name}, ${columns * rows} labels, ${size}`;
  if (form === "disc") return `${name}, ${columns * rows} lid discs, ${side(label.width, units)} ${unit}`;
  return form === "single" ? `${name}, ${size}` : name;
}
