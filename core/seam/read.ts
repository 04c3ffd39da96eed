import { MM_PER_IN } from "#core/quantity";
import { readNumber } from "../quantity/index.ts";
import { LENGTH_NAMES, type SeamLength } from "./dimension.ts";

/** Units a seam is read in: thousandths of an inch are written as 0.115 or as 115. */
export type SeamUnit = "in" | "thou" | "mm";
const TO_MM: Record<SeamUnit, number> = { in: MM_PER_IN, thou: MM_PER_IN / 1000, mm: 1 };
const UNIT_NAMES: Record<SeamUnit, string> = { in: "in", thou: "thousandths", mm: "mm" };

interface Span {
  /** what such a length usually is, mm */
  likely: [number, number];
  /** what it could be on a can that is badly wrong, mm */
  possible: [number, number];
}

/** Lengths on household cans. From memory. */
const SPANS: Record<SeamLength, Span> = {
  width: { likely: [2.3, 3.6], possible: [1, 8] },
  thickness: { likely: [0.9, 2], possible: [0.4, 4] },
  countersink: { likely: [2.3, 5], possible: [0.8, 10] },
  bodyHook: { likely: [1.2, 2.7], possible: [0.25, 8] },
  coverHook: { likely: [1.2, 2.7], possible: [0.25, 8] },
  overlap: { likely: [0.5, 2], possible: [0.1, 4] },
  endPlate: { likely: [0.13, 0.4], possible: [0.06, 1] },
  bodyPlate: { likely: [0.13, 0.4], possible: [0.06, 1] },
};

export type SeamReading =
  | { outcome: "read"; mm: number; unit: SeamUnit }
  /** could be meant in more than one way, or is possible but odd; `mm` is what it is taken for once that is said */
  | { outcome: "ask"; mm: number; unit: SeamUnit; question: string }
  | { outcome: "none"; message: string };

const PATTERN = /^([^a-z"”″]+?)\s*(in|inch|inches|"|”|″|thou|thousandths?|mil|mils|mm)?\.?$/i;

function unitOf(word: string): SeamUnit {
  const w = word.toLowerCase();
  if (w === "mm") return "mm";
  return w.startsWith("thou") || w.startsWith("mil") ? "thou" : "in";
}

/**
 * Returns a length of a seam as typed, mm: `0.115`, `115` and `2.92` are all one seam width. With a unit it is taken
 * as written; without, in the unit that makes a plausible length. What could be two lengths, or is odd, is asked about
 * instead.
 *
 * @param length which dimension it is, for what is plausible
 */
export function readSeamLength(text: string, length: SeamLength): SeamReading {
  const name = LENGTH_NAMES[length];
  const match = PATTERN.exec(text.trim());
  const values = match ? readNumber(match[1]!.trim()) : [];
  if (values.length === 0)
    return { outcome: "none", message: `${name} does not read as a length, like 0.115, 115 or 2.9 mm.` };
  if (values.every((v) => v <= 0)) return { outcome: "none", message: `${name} is more than zero.` };
  const { likely, possible } = SPANS[length];
  const inside = (mm: number, [low, high]: [number, number]) => mm >= low - 1e-9 && mm <= high + 1e-9;
  const units: SeamUnit[] = match![2] ? [unitOf(match![2])] : ["in", "thou", "mm"];
  const ways = units
    .flatMap((unit) => values.map((value) => ({ value, unit, mm: value * TO_MM[unit] })))
    .filter((w) => inside(w.mm, possible));
  const good = ways.filter((w) => inside(w.mm, likely));
  if (good.length === 1) return { outcome: "read", mm: good[0]!.mm, unit: good[0]!.unit };
  const first = good[0] ?? ways[0];
  if (!first)
    return {
      outcome: "none",
      message: `${name} of ${text.trim()}: no seam has that. It is usually ${lengthWords(likely[0])} to ${lengthWords(likely[1])}.`,
    };
  const asked =
    ways.length > 1
      ? `${text.trim()}: ${ways.map((w) => `${w.value} ${UNIT_NAMES[w.unit]}`).join(" or ")}? Write the unit beside it, or press again to take it as ${first.value} ${UNIT_NAMES[first.unit]}.`
      : `${name} of ${lengthWords(first.mm)} is odd: it is usually ${lengthWords(likely[0])} to ${lengthWords(likely[1])}. Check again, or press again if it is right.`;
  return { outcome: "ask", mm: first.mm, unit: first.unit, question: asked };
}

/** Returns a percentage as typed (`15`, `15 %`, `12,5`); null when it is none. */
export function readPercent(text: string): number | null {
  const values = readNumber(text.replace("%", "").trim());
  return values.length === 0 ? null : Math.min(...values);
}

/**
 * Returns a length of a seam in both units: `0.115 in (2.92 mm)`.
 *
 * @param mm length, mm
 */
export function lengthWords(mm: number): string {
  return `${(mm / MM_PER_IN).toFixed(3)} in (${mm.toFixed(2)} mm)`;
}

/**
 * Returns a length as it was read, to half a thousandth of an inch: `0.0495 in (1.257 mm)`.
 *
 * @param mm length, mm
 */
export function shownBack(mm: number): string {
  return `${(mm / MM_PER_IN).toFixed(4).replace(/0$/, "")} in (${mm.toFixed(3).replace(/0$/, "")} mm)`;
}

/**
 * Returns a length of a seam in the household's unit: `0.115 in` or `2.92 mm`.
 *
 * @param mm length, mm
 */
export function formatSeam(mm: number, system: "us" | "metric"): string {
  return system === "us" ? `${(mm / MM_PER_IN).toFixed(3)} in` : `${mm.toFixed(2)} mm`;
}
