import { z } from "zod";
import { CONDITION_KEYS } from "#core/schedule";
import { keyField, words } from "../../server/form";
import { fillerFields } from "./filler-schema";
import { MARGINS } from "./margin";

/** A load as Fire's form says it. */
export const schema = z.object({
  key: keyField,
  cannerId: z.string({ error: "Choose a canner." }),
  packIds: z.array(z.string(), "Choose what goes in.").min(1, "Choose what goes in."),
  margin: z.enum(MARGINS).default("0"),
  // How many may be added is the guard's to say, at this field.
  extraMinutes: z.coerce.number("Extra minutes are a number.").default(0),
  signedReason: words("The reason", 200).optional(),
  equipmentReason: words("The reason", 200).optional(),
  governs: z.enum(["weighted", "dial"]).optional(),
  met: z.array(z.enum(CONDITION_KEYS)).default([]),
  loadReason: words("The reason", 200).optional(),
  ...fillerFields,
  /** somebody looked: there are more lids than were counted */
  confirmed: z.literal("yes").optional(),
});
