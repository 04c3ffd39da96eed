import { z } from "zod";
import { OWN_DIAL, OWN_WEIGHT, UNNAMED } from "#core/run";

/** The canner's own dial and weight, and senders without a name, have names that no gauge may take. */
const isTaken = (name: string) =>
  [OWN_DIAL, OWN_WEIGHT].includes(name.toLowerCase()) || name.toLowerCase().startsWith(UNNAMED);

/** A number that is one: NaN and infinity cannot be written in JSON, but 1e999 can. */
const finite = z.number("A plain number.").finite("A plain number.");

/** One reading as a gauge or thermometer sends it. */
export const Reading = z
  .strictObject({
    id: z.string().min(1).max(100).describe("idempotency key, made where the reading was taken"),
    at: z.iso.datetime({ offset: true, message: "A UTC instant like 2026-11-20T14:22:00Z." }),
    gaugePsi: finite.max(30, "No canner shows more than 30 psi. Is this kPa?").optional(),
    gaugeKPa: finite.max(207, "No canner shows more than 207 kPa (30 psi).").optional(),
    tempC: finite.min(-40, "Colder than any kitchen.").max(200, "Hotter than any canner.").optional(),
  })
  .superRefine((r, ctx) => {
    if (r.gaugePsi !== undefined && r.gaugeKPa !== undefined)
      ctx.addIssue({ code: "custom", path: ["gaugeKPa"], message: "Give gaugePsi or gaugeKPa, not both." });
    if (r.gaugePsi === undefined && r.gaugeKPa === undefined && r.tempC === undefined)
      ctx.addIssue({
        code: "custom",
        path: ["gaugePsi"],
        message: "A reading needs gaugePsi, gaugeKPa or tempC.",
      });
  });

/** Most readings in one body. */
export const MOST_READINGS = 20_000;

/**
 * Body of POST /api/v1/runs/{id}/readings as it is read: each reading is then looked at by itself, so that one bad one does
 * not cost the rest.
 */
export const ReadingsBody = z.strictObject({
  readings: z
    .array(z.unknown())
    .min(1, "At least one reading.")
    .max(MOST_READINGS, `At most ${MOST_READINGS.toLocaleString("en-US")} readings at a time.`),
  gauge: z
    .string()
    .trim()
    .min(1)
    .max(40)
    .refine((name) => !isTaken(name), "This name is taken: give the gauge one of its own.")
    .optional()
    .describe(
      "name of the gauge; a second one on the run is told apart by it. One without a name is known by its token or its address, and is taken for the canner's own dial",
    ),
  sentAt: z.iso
    .datetime({ offset: true })
    .optional()
    .describe("the sender's clock as it sends: a clock that is wrong by more than two minutes is told so"),
});

/** The same as others have to send it. */
export const ReadingsShape = ReadingsBody.extend({ readings: z.array(Reading).min(1).max(MOST_READINGS) });

export const ReadingsAnswer = z.object({
  accepted: z.number().int(),
  duplicates: z.number().int(),
  refused: z
    .array(z.object({ index: z.number().int(), id: z.string(), field: z.string(), reason: z.string() }))
    .describe("readings that were not taken, each with its reason; nothing else is ever left out"),
  state: z.object({
    phase: z.string(),
    finishAt: z.string().nullable(),
    restarts: z.number().int(),
  }),
});
