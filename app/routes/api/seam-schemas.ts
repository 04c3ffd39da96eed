import { whyNotInWater } from "#core/exhaust";
import { z } from "zod";
import { impossible } from "#core/seam";

const length = z
  .number("A length in mm.")
  .gt(0, "A length is more than zero.")
  .max(20, "No part of a seam is longer than 20 mm. Is this in thousandths?");

/** Body of POST /api/v1/seam. */
export const SeamBody = z
  .strictObject({
    coverHookMm: length,
    bodyHookMm: length,
    widthMm: length.describe("also called length or height: along the can's axis"),
    thicknessMm: length,
    endPlateMm: length,
    bodyPlateMm: length,
    wrinklePercent: z
      .number()
      .min(0, "A wrinkle is from 0 to 100 percent of the hook.")
      .max(100, "A wrinkle is from 0 to 100 percent of the hook.")
      .optional()
      .describe("the worst wrinkle, as part of the cover hook"),
  })
  .superRefine((m, ctx) => {
    const place = {
      width: m.widthMm,
      thickness: m.thicknessMm,
      bodyHook: m.bodyHookMm,
      coverHook: m.coverHookMm,
      countersink: null,
      overlap: null,
      wrinklePercent: m.wrinklePercent ?? null,
    };
    for (const p of impossible(place, m))
      ctx.addIssue({ code: "custom", path: [`${p.field}Mm`], message: p.message });
  });

export const SeamAnswer = z.object({
  overlapMm: z.number(),
  overlapPercent: z.number(),
  bodyHookButtingPercent: z.number(),
  freeSpaceMm: z.number(),
  tightnessPercent: z.number().optional(),
});

const inWater = z.number().superRefine((c, ctx) => {
  const message = whyNotInWater(c);
  if (message) ctx.addIssue({ code: "custom", message });
});

/** Body of POST /api/v1/cans/{code}/readings. */
export const CanReadingsBody = z.strictObject({
  readings: z
    .array(
      z.strictObject({
        id: z.string().min(1).max(100).describe("idempotency key, made where the reading was taken"),
        at: z.iso.datetime({ offset: true, message: "A UTC instant like 2026-11-20T14:22:00Z." }),
        tempC: inWater.describe("center of the meat"),
        juiceC: inWater.optional().describe("of the juice beside it, by a second tip"),
        probe: z.string().min(1).max(60).optional(),
      }),
    )
    .min(1, "At least one reading.")
    .max(1000, "At most 1,000 readings at a time."),
});

export const CanReadingsAnswer = z.object({
  accepted: z.number().int(),
  duplicates: z.number().int(),
  stage: z.string().describe("how the can stands now: warming, questioned, hot, …"),
});

/** Body of POST /api/v1/instruments/{name}: kg for a scale, mm for a seam gauge. */
export const InstrumentBody = z
  .strictObject({
    kg: z
      .number()
      .min(0, "A scale shows zero or more.")
      .max(100, "No scale on a bench shows that.")
      .optional(),
    mm: z
      .number()
      .gt(0, "A gauge shows more than zero.")
      .max(20, "No seam is that long. Is this in thousandths?")
      .optional(),
  })
  .refine((b) => (b.kg === undefined) !== (b.mm === undefined), "Give kg or mm, one of them.");

export const InstrumentAnswer = z.object({
  kg: z.number().nullable(),
  mm: z.number().nullable(),
  /** when it was shown; null when nothing was shown in the last half minute */
  at: z.string().nullable(),
});
