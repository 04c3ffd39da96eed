import { z } from "zod";
import { CONTAINERS, isCan } from "#core/schedule";
import {
  DIMENSIONS,
  isPercent,
  readPercent,
  readSeamLength,
  type Range,
  type SeamDimension,
} from "#core/seam";
import { Refused } from "#store/db";
import { keyField, words } from "../../../server/form";

const typed = z.string().trim().max(24, "Keep it under 24 characters.").optional();
const ends = Object.fromEntries(
  DIMENSIONS.flatMap((d) => [
    [`${d}Low`, typed],
    [`${d}High`, typed],
  ]),
) as Record<string, typeof typed>;

export const limitsForm = z.object({
  key: keyField,
  container: z.enum(CONTAINERS.filter(isCan), "Choose a size of can."),
  source: words("Where the limits come from", 120).min(
    1,
    "Say whose limits they are: the maker’s sheet, its date.",
  ),
  ...ends,
});

/** The maker's limits as typed; a dimension with neither end stays typical. Everything wrong is said at its field at once. */
export function rangesFrom(v: Record<string, unknown>): Partial<Record<SeamDimension, Range>> {
  const problems: Record<string, string> = {};
  const read = (field: string, d: SeamDimension): number | null => {
    const text = v[field];
    if (typeof text !== "string" || text === "") return null;
    if (isPercent(d)) {
      const value = readPercent(text);
      if (value !== null && value >= 0 && value <= 100) return value;
      problems[field] = "A number from 0 to 100 percent.";
      return null;
    }
    const length = readSeamLength(text, d);
    if (length.outcome === "none") problems[field] = length.message;
    if (length.outcome === "ask")
      problems[field] = `${length.question.replace(/,? or press again.*$/, ".")} Write the unit beside it.`;
    return length.outcome === "read" ? length.mm : null;
  };
  const ranges: Partial<Record<SeamDimension, Range>> = {};
  for (const d of DIMENSIONS) {
    const low = read(`${d}Low`, d);
    const high = read(`${d}High`, d);
    if (low !== null || high !== null) ranges[d] = { low, high };
  }
  if (Object.keys(problems).length > 0) throw new Refused(problems);
  if (Object.keys(ranges).length === 0) throw new Refused({ "": "Enter at least one limit." });
  return ranges;
}
