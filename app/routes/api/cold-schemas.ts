import { z } from "zod";

/** Body of POST /api/v1/harvests/{code}/readings. */
export const ColdReadingsBody = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        id: z.string().min(1).max(100).describe("idempotency key, made where the reading was taken"),
        at: z.iso.datetime({ offset: true, message: "A UTC instant like 2026-11-20T14:22:00Z." }),
        tempC: z
          .number()
          .min(-60, "No place for meat is colder than −60 °C.")
          .max(60, "No meat before the pot is warmer than 60 °C. Is this °F?"),
        probe: z.string().min(1).max(60).optional().describe("name of the probe, when there are several"),
      }),
    )
    .min(1, "At least one reading.")
    .max(10_000, "At most 10,000 readings at a time."),
});

export const ColdReadingsAnswer = z.object({
  accepted: z.number().int(),
  duplicates: z.number().int(),
  /** minutes above `limitC` between readings, by straight lines */
  warmMinutes: z.number(),
  watchedMinutes: z.number(),
  limitC: z.number(),
});
