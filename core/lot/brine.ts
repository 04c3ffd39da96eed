import { L_PER_QT, formatFraction, parseQuantity, readNumber, type Writing } from "../quantity/index.ts";

/** Salt water that food was kept in. */
export interface Brine {
  /** salt in the brine by weight, %, > 0 and ≤ 26 */
  saltPercent: number;
  /** > 0 */
  minutes: number;
}

/** Water takes up no more salt than this, % of the brine by weight, at room temperature. From memory. */
export const SATURATED_PERCENT = 26;
/** Fine canning salt, kg a liter: 292 g a cup by public food composition tables, from memory. Flakes weigh half of it. */
export const FINE_SALT_KG_L = 0.292 / (L_PER_QT / 4);
/** Longer than this nothing is brined for the canner. Common practice, no source. */
const LONGEST_MINUTES = 3 * 24 * 60;

export type ReadBrine = { ok: true; saltPercent: number } | { ok: false; message: string };

/**
 * Reads the strength of a brine as somebody writes it: `6 %`, or salt in water, `1 cup in 1 gal`, `80 g in 1 l`. Salt by
 * volume is taken as fine canning salt. Returns the salt in the brine, % by weight, or what is wrong with the text.
 */
export function readBrine(text: string, writing: Writing): ReadBrine {
  const no = (message: string): ReadBrine => ({ ok: false, message });
  const example = writing.units === "us" ? "1 cup in 1 gal" : "80 g in 1 l";
  const percent = /^(.+?)\s*%$/.exec(text.trim());
  if (percent) {
    const values = readNumber(percent[1]!, writing.decimal);
    return values.length === 1 ? within(values[0]!) : no(`Write the strength like 6 %, or ${example}.`);
  }
  const parts = text.trim().split(/\s+(?:in|to|per)\s+(?:(?=\d)|(?=[a-z]))/i);
  if (parts.length !== 2)
    return no(`Write the salt and the water, like ${example}, or its strength like 6 %.`);
  const [saltText, waterText] = parts as [string, string];
  const water = parseQuantity(/^\d/.test(waterText) ? waterText : `1 ${waterText}`, "volume", writing);
  if (!water.ok || !(water.si > 0)) return no(`How much water? Example: ${example}.`);
  const asMass = parseQuantity(saltText, "mass", writing);
  const asVolume = parseQuantity(saltText, "volume", writing);
  const saltKg = asMass.ok ? asMass.si : asVolume.ok ? asVolume.si * FINE_SALT_KG_L : null;
  if (saltKg === null) return no(`How much salt? Example: ${example}.`);
  return within((100 * saltKg) / (saltKg + water.si));
}

function within(saltPercent: number): ReadBrine {
  if (!(saltPercent > 0)) return { ok: false, message: "Salt must be more than 0." };
  if (saltPercent > SATURATED_PERCENT)
    return {
      ok: false,
      message: `Water takes up no more than ${SATURATED_PERCENT} % salt. Check the amounts.`,
    };
  return { ok: true, saltPercent };
}

/** Returns why a brine cannot have been, as a sentence; null when it can. */
export function whyNotBrine({ saltPercent, minutes }: Brine): string | null {
  const read = within(saltPercent);
  if (!read.ok) return read.message;
  if (!(minutes > 0)) return "Minutes in the brine must be more than 0.";
  return minutes > LONGEST_MINUTES
    ? `Nothing is brined longer than ${LONGEST_MINUTES / 1440} days for canning. Check the minutes.`
    : null;
}

/** `60 min in 6 % salt`: a brine as it is told. */
export function brineWords({ saltPercent, minutes }: Brine): string {
  return `${minutes} min in ${formatFraction(Math.round(saltPercent * 2) / 2, 1)} % salt`;
}
