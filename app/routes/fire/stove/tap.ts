import { z } from "zod";
import { ALARMS, ASKED, RUN_EVENT_TYPES, SIPHONED } from "#core/run";

/** One tap as the stove screen keeps and delivers it. Instants in ms since 1970 UTC, by the larder's clock. */
export const TapSchema = z.strictObject({
  id: z.string().min(8).max(100),
  at: z.number().int(),
  type: z.enum(RUN_EVENT_TYPES),
  gaugeKPa: z.number().min(0).max(207).optional(),
  corrects: z.string().max(120).optional(),
  by: z.string().max(80).optional(),
  text: z.string().trim().max(200).optional(),
  source: z.string().max(40).optional(),
  perMinute: z.number().int().min(0).max(400).optional(),
  weightKPa: z.number().min(0).max(207).optional(),
  alarm: z.enum(ALARMS).optional(),
  asked: z.enum(ASKED).optional(),
  container: z.string().max(40).optional(),
  siphoned: z.enum(SIPHONED).optional(),
  uncertain: z.boolean().optional(),
});
export type StoveTap = z.infer<typeof TapSchema>;

export const DeliverySchema = z.strictObject({
  /** each is read by itself, so that one that cannot be read costs no other */
  taps: z.array(z.unknown()).min(1).max(500),
  /** what the screen's clock shows as it sends, by the larder's clock as it last heard it, ms since 1970 UTC */
  sentAt: z.number().int().optional(),
});

/** What the larder says to a delivery. */
export interface DeliveryAnswer {
  answers: { id: string; refused: string | null }[];
}
