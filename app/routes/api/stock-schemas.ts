import { z } from "zod";

/** It takes no query: what is asked beside it is refused. */
export const StockQuery = z.strictObject({});

/** Answer of `GET /api/v1/stock`. */
export const StockAnswer = z.object({
  places: z.array(
    z.object({
      room: z.string(),
      name: z.string(),
      kind: z.enum(["shelf", "box"]),
      capacity: z.number().int().nullable().describe("containers it takes; null when nobody has said"),
      standing: z.number().int().describe("containers on it"),
    }),
  ),
  kinds: z.array(
    z.object({
      product: z.string(),
      container: z.string(),
      mouth: z.enum(["regular", "wide"]).nullable(),
      species: z.array(z.string()),
      sound: z.number().int().describe("containers that may be eaten"),
      keptBack: z.number().int().describe("containers held or set aside"),
      massKg: z.number().describe("meat in them, kg"),
      oldestCannedAt: z.iso.datetime().nullable().describe("UTC instant of the oldest that may be eaten"),
    }),
  ),
});
