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

/**
 * Source text of a regular expression for one number as people write it: `12`, `2,300`, `1.2`, `.5`, `1,5`,
 * `3/4`, `1 1/4`, `1-1/4`, `1¼`, `¾`. No sign.
 */
export const NUMBER_PATTERN =
  `(?:\\d+[ -]\\d+[/⁄]\\d+|\\d+[/⁄]\\d+|\\d+ ?${VULGAR_CLASS}|${VULGAR_CLASS}` +
  `|\\d{1,3}(?:,\\d{3})+(?:\\.\\d+)?|\\d+[.,]\\d+|\\.\\d+|\\d+)`;

/**
 * Value of one number matched by NUMBER_PATTERN.
 *
 * A comma followed by exactly three digits groups thousands (`2,300` is two thousand three hundred); any other
 * comma is a decimal comma (`1,5` is one and a half).
 * @returns the value, or null when it is not such a number or divides by zero
 */
export function parseNumber(text: string): number | null {
  const t = text.trim();
  const vulgar = t.match(new RegExp(`^(\\d+)? ?(${VULGAR_CLASS})$`));
  if (vulgar) return (vulgar[1] ? Number(vulgar[1]) : 0) + (VULGAR[vulgar[2]!] ?? 0);
  const fraction = t.match(/^(?:(\d+)[ -])?(\d+)[/⁄](\d+)$/);
  if (fraction) {
    const below = Number(fraction[3]);
    if (below === 0) return null;
    return (fraction[1] ? Number(fraction[1]) : 0) + Number(fraction[2]) / below;
  }
  if (/^\d{1,3}(,\d{3})+(\.\d+)?$/.test(t)) return Number(t.replaceAll(",", ""));
  if (/^(\d+[.,]\d+|\.\d+|\d+)$/.test(t)) return Number(t.replace(",", "."));
  return null;
}

const EIGHTHS = ["", "⅛", "¼", "⅜", "½", "⅝", "¾", "⅞"];

/**
 * A number shown with a vulgar fraction when it is a whole number of eighths (1.25 → `1¼`), else with up to
 * `digits` decimals and no trailing zeros.
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

/** A number with thousands commas, at most `digits` decimals and no trailing zeros: 2300 → `2,300`. */
export function formatDecimal(value: number, digits = 2): string {
  // Made once for each number of digits: making one takes far longer than using it.
  const format = decimals.get(digits) ?? new Intl.NumberFormat("en-US", { maximumFractionDigits: digits });
  decimals.set(digits, format);
  const shown = format.format(value);
  return shown === "-0" ? "0" : shown;
}
