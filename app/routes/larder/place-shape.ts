import { z } from "zod";

/** What is said of a shelf or box: where, how it is called, how much it takes. */
export const placeShape = {
  room: z.string({ error: "The room is missing." }).trim().max(40, "Keep it under 40 characters."),
  name: z.string({ error: "The shelf is missing." }).trim().max(40, "Keep it under 40 characters."),
  kind: z.enum(["shelf", "box"]).default("shelf"),
  capacity: z.coerce
    .number({ error: "A number of jars and cans, or nothing." })
    .int("Whole jars and cans.")
    .min(1, "At least one.")
    .max(10_000, "At most 10,000.")
    .optional(),
};
