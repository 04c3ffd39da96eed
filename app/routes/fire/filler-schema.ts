import { z } from "zod";
import { FILLED_OF, FILLER_LIDS, fillerKinds } from "./fillers";

/** What fills up a canner, as the form says it: how many of one kind, of what, with which lids. */
export const fillerFields = {
  // How many may be put in is the guard's to say, at this field.
  fillers: z.coerce.number("How many is a number.").default(0),
  fillKind: z
    .string()
    .refine((k) => k === "" || fillerKinds().includes(k), "Choose a container.")
    .default(""),
  fillOf: z.enum(FILLED_OF).default("water"),
  fillLids: z.enum(FILLER_LIDS).default("new"),
};
