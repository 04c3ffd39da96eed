import { v7 as uuid } from "uuid";
import { z } from "zod";
import { readWallText, type WallReading, type WallTime } from "#core/calendar";
import { parseQuantity, readNumber, type Dimension, type UnitSystem, type Writing } from "#core/quantity";
import { CAME_TWICE } from "../../ui/form/which";

/** A fresh key for a form: made with the page, so that sending it twice does it once. */
export function formKey(): string {
  return uuid();
}

/** The hidden key every form carries. */
export const keyField = z.uuid("This form has no key. Reload the page and try again.");

/** A quantity as typed, read to SI. What cannot be read becomes a sentence at the field. */
export function quantity(dimension: Dimension, writing: UnitSystem | Writing, what: string) {
  return z.string({ error: `${what} is missing.` }).transform((text, ctx) => {
    const parsed = parseQuantity(text, dimension, writing);
    if (parsed.ok) return parsed.si;
    ctx.addIssue({ code: "custom", message: parsed.message });
    return z.NEVER;
  });
}

/** A weight above zero, kg. */
export function weight(writing: UnitSystem | Writing, what = "The weight") {
  return quantity("mass", writing, what)
    .refine((kg) => kg > 0, "Weight must be more than 0.")
    .refine((kg) => kg <= HEAVIEST_KG, "Nothing here weighs over a ton. Check the number and its unit.");
}

/** Heaviest anything may be that is typed as a weight, kg. Common practice, no source. */
const HEAVIEST_KG = 1000;

/** A plain number as typed, by the household's sign of decimals. Digits that can be read two ways are asked about. */
export function amount(writing: Writing, what: string) {
  return z.string({ error: `${what} is missing.` }).transform((text, ctx) => {
    const values = readNumber(text, writing.decimal);
    if (values.length === 1) return values[0]!;
    ctx.addIssue({
      code: "custom",
      message:
        values.length === 0
          ? `${what}: write a number.`
          : `“${text.trim()}” can be read as ${Math.min(...values)} or as ${Math.max(...values)}. Type the one you mean just like that.`,
    });
    return z.NEVER;
  });
}

/**
 * A day and time as a screen gives it (`2026-11-20T14:05`), read in the household's zone to ms since 1970 UTC. One that the
 * clocks skipped is refused; one that came twice is asked about, and the answer stands behind it (`… first`, `… second`).
 */
export function instant(zone: string, what = "The time") {
  return z.string({ error: `${what} is missing.` }).transform((text, ctx) => {
    const [, wall = "", which] = /^(.*?)(?: (first|second))?$/.exec(text.trim()) ?? [];
    const read = readWallText(wall, zone);
    if (read?.is === "once") return read.at;
    if (read?.is === "twice" && which) return read.at[which === "first" ? 0 : 1];
    ctx.addIssue({ code: "custom", message: whyNoInstant(read, what) });
    return z.NEVER;
  });
}

function whyNoInstant(read: WallReading | null, what: string): string {
  if (read?.is === "twice") return CAME_TWICE;
  if (read?.is === "skipped")
    return `This time did not exist: the clocks went forward from ${clockOf(read.from)} to ${clockOf(read.to)}. Type what the clock showed.`;
  return `${what} does not read as a day and time, like 2026-11-20 14:05.`;
}

const clockOf = ({ hour, minute }: WallTime) =>
  `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}`;

/** Text that must be there. */
export function words(what: string, max = 120) {
  return z
    .string({ error: `${what} is missing.` })
    .trim()
    .max(max, `Keep it under ${max} characters.`);
}
