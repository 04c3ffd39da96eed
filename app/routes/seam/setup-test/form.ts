import { z } from "zod";
import { CONTAINERS, isCan } from "#core/schedule";
import {
  METHODS,
  PLACE_LENGTHS,
  POSITIONS,
  readPercent,
  readSeamLength,
  sheetProblems,
  type SeamLength,
  type SeamSheet,
} from "#core/seam";
import { Refused } from "#store/db";
import { keyField, words } from "../../../server/form";
import { positionOf } from "./typed";

const typed = z.string().trim().max(24, "Keep it under 24 characters.").optional();
const places = Object.fromEntries(
  Array.from({ length: POSITIONS }, (_, i) =>
    [...PLACE_LENGTHS, "wrinklePercent"].map((r) => [`${r}${i}`, typed]),
  ).flat(),
) as Record<string, typeof typed>;

export const setUpForm = z.object({
  key: keyField,
  sealerId: z.string({ error: "Choose a sealer." }),
  container: z.enum(CONTAINERS.filter(isCan), "Choose a size of can."),
  method: z.enum(METHODS),
  endPlate: typed,
  bodyPlate: typed,
  looksGood: z.enum(["yes", "no"]).optional(),
  reason: words("The reason", 200).optional(),
  confirm: z.string().optional(),
  confirmed: z.string().optional(),
  ...places,
});

/** Name of a field on the form from the one a sheet's problem names: `1.width` is `width1`. */
export const fieldOf = (problem: string) => problem.replace(/^(\d)\.(.+)$/, "$2$1");

/**
 * A sheet from what was typed. Whatever cannot be read is said at its field, all of it at once; what could be two things
 * is asked once.
 */
export function sheetFrom(v: Record<string, unknown>, method: SeamSheet["method"]): SeamSheet {
  const problems: Record<string, string> = {};
  const questions: Record<string, string> = {};
  const length = (field: string, what: SeamLength): number | null => {
    const text = v[field];
    if (typeof text !== "string" || text === "") return null;
    const read = readSeamLength(text, what);
    if (read.outcome === "none") {
      problems[field] = read.message;
      return null;
    }
    if (read.outcome === "ask") questions[field] = read.question;
    return read.mm;
  };
  const percent = (field: string): number | null => {
    const text = v[field];
    if (typeof text !== "string" || text === "") return null;
    const value = readPercent(text);
    if (value !== null) return value;
    problems[field] = "The worst wrinkle is a number of percent, like 15.";
    return null;
  };
  const endPlate = length("endPlate", "endPlate");
  const bodyPlate = length("bodyPlate", "bodyPlate");
  for (const [field, mm] of [
    ["endPlate", endPlate],
    ["bodyPlate", bodyPlate],
  ] as const)
    if (mm === null && !problems[field])
      problems[field] = "Measure the plate before it is seamed: everything else is worked out with it.";
  const positions = Array.from({ length: POSITIONS }, (_, i) =>
    positionOf((d) => length(`${d}${i}`, d), percent(`wrinklePercent${i}`)),
  );
  if (Object.keys(problems).length > 0) throw new Refused(problems);
  const sheet: SeamSheet = { method, endPlateMm: endPlate!, bodyPlateMm: bodyPlate!, positions };
  // What cannot be is said before what is only odd is asked.
  const impossible = sheetProblems(sheet);
  if (impossible.length > 0)
    throw new Refused(Object.fromEntries(impossible.reverse().map((p) => [fieldOf(p.field), p.message])));
  if (Object.keys(questions).length > 0 && v.confirmed !== "yes")
    throw new Refused({ ...questions, confirm: Object.values(questions).join(" ") });
  return sheet;
}
