/** Vulgar fractions people's keyboards and phones produce, with their values. */
const VULGAR: Record<string, number> = {
  "½": 1 / 2,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
  "¼": 1 / 4,
  "¾": 3 / 4,
  "⅕": 1 / 5,
  "⅖": 2 / 5,
  "⅗": 3 / 5,
  "⅘": 4 / 5,
  "⅙": 1 / 6,
  "⅚": 5 / 6,
  "⅛": 1 / 8,
  "⅜": 3 / 8,
  "⅝": 5 / 8,
  "⅞": 7 / 8,
};

const VULGAR_CLASS = `[${Object.keys(VULGAR).join("")}]`;

/** The sign a household writes before tenths: `1.5` or `1,5`. */
export type DecimalSign = "point" | "comma";

/**
 * Source text of a regular expression for one number as people write it: `12`, `2,300`, `1.2`, `.5`, `1,5`,
 * `3/4`, `1 1/4`, `1-1/4`, `1¼`, `¾`, `1.234,5`. No sign.
 */
export const NUMBER_PATTERN =
  `(?:\\d+[ -]\\d+[/⁄]\\d+|\\d+[/⁄]\\d+|\\d+ ?${VULGAR_CLASS}|${VULGAR_CLASS}` +
  `|\\d{1,3}(?:,\\d{3})+\\.\\d+|\\d{1,3}(?:\\.\\d{3})+,\\d+|\\d{1,3}(?:,\\d{3}){2,}|\\d{1,3}(?:\\.\\d{3}){2,}` +
  `|\\d+[.,]\\d+|[.,]\\d+|\\d+)`;

/**
 * Returns the values one number as typed may have, the household's own way of writing first; empty when it is no
 * number or divides by zero. A mark before exactly three digits can be a decimal sign or a thousands separator:
 * `2,300` has two values, `0,750`, `1,25`, `1,234,567` and `1.234,5` one.
 *
 * @param decimal the household's decimal sign
 */
export function readNumber(text: string, decimal: DecimalSign = "point"): number[] {
  const t = text.trim();
  const vulgar = t.match(new RegExp(`^(\\d+)? ?(${VULGAR_CLASS})$`));
  if (vulgar) return [(vulgar[1] ? Number(vulgar[1]) : 0) + (VULGAR[vulgar[2]!] ?? 0)];
  const fraction = t.match(/^(?:(\d+)[ -])?(\d+)[/⁄](\d+)$/);
  if (fraction) {
    const below = Number(fraction[3]);
    return below === 0 ? [] : [(fraction[1] ? Number(fraction[1]) : 0) + Number(fraction[2]) / below];
  }
  if (/^\d{1,3}(,\d{3})+\.\d+$/.test(t) || /^\d{1,3}(,\d{3}){2,}$/.test(t))
    return [Number(t.replaceAll(",", ""))];
  if (/^\d{1,3}(\.\d{3})+,\d+$/.test(t) || /^\d{1,3}(\.\d{3}){2,}$/.test(t))
    return [Number(t.replaceAll(".", "").replace(",", "."))];
  if (!/^(\d+[.,]\d+|[.,]\d+|\d+)$/.test(t)) return [];
  const asDecimal = Number(t.replace(",", "."));
  if (!/^[1-9]\d{0,2}[.,]\d{3}$/.test(t)) return [asDecimal];
  const asThousands = Number(t.replace(/[.,]/, ""));
  return t.includes(decimal === "point" ? "." : ",") ? [asDecimal, asThousands] : [asThousands, asDecimal];
}

/**
 * Returns the value of one number in the household's own way of writing; null when it is no number or divides by zero.
 *
 * @param decimal the household's decimal sign
 */
export function parseNumber(text: string, decimal: DecimalSign = "point"): number | null {
  return readNumber(text, decimal)[0] ?? null;
}

const EIGHTHS = ["", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"];

/**
 * Returns a number with a vulgar fraction when it is a whole number of eighths (1.25 becomes `1¼`), else with decimals
 * and no trailing zeros.
 *
 * @param digits most decimals, whole, ≥ 0
 */
export function formatFraction(value: number, digits = 2): string {
  const eighths = Math.round(value * 8);
  if (value >= 0 && Math.abs(value * 8 - eighths) < 1e-6) {
    const whole = Math.floor(eighths / 8);
    const part = EIGHTHS[eighths % 8]!;
    return part && whole === 0 ? part : `${whole}${part}`;
  }
  return formatDecimal(value, digits);
}

const decimals = new Map<number, Intl.NumberFormat>();

/**
 * Returns a number with thousands separators and no trailing zeros: 2300 becomes `2,300`.
 *
 * @param digits most decimals, whole, ≥ 0
 */
export function formatDecimal(value: number, digits = 2): string {
  // Made once for each number of digits: making one takes far longer than using it.
  const format = decimals.get(digits) ?? new Intl.NumberFormat("en-US", { maximumFractionDigits: digits });
  decimals.set(digits, format);
  const shown = format.format(value);
  return shown === "-0" ? "0" : shown;
}
