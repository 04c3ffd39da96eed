import { z } from "zod";
import { keyField, words } from "../../server/form";

/** A test of a dial gauge, as it is written down. */
export const checkSchema = z.object({
  key: keyField,
  cannerId: z.string(),
  testedOn: z.iso.date("Write the day like 2026-11-20."),
  amount: words("How far off", 20),
  way: z.enum(["true", "high", "low"]),
  testedBy: words("Who tested it", 80),
  against: words("What it was tested against", 80),
});
