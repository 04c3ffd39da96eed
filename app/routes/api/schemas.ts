import { z } from "zod";
import { ALTITUDE_RANGE_M, CONTAINERS, PRODUCTS } from "#core/schedule";
import { ftFromM, kPaFromPsi, mFromFt } from "#core/quantity";

const number = (what: string) =>
  z
    .string()
    .regex(/^\s*[-+]?(\d+(\.\d*)?|\.\d+)(e[-+]?\d+)?\s*$/i, `${what} is a plain number, like 2300.`)
    .transform(Number);

const lowFt = Math.round(ftFromM(ALTITUDE_RANGE_M.low));
const highFt = Math.round(ftFromM(ALTITUDE_RANGE_M.high));
const altitudeFt = number("altitudeFt").refine(
  (ft) => ft >= lowFt && ft <= highFt,
  `An altitude lies between ${lowFt} and ${highFt} ft.`,
);
const altitudeM = number("altitudeM").refine(
  (m) => m >= ALTITUDE_RANGE_M.low && m <= ALTITUDE_RANGE_M.high,
  `An altitude lies between ${ALTITUDE_RANGE_M.low} and ${ALTITUDE_RANGE_M.high} m.`,
);

/** Exactly one of two names for the same thing. */
function oneOf<T extends Record<string, unknown>>(a: keyof T & string, b: keyof T & string) {
  return (value: T, ctx: z.RefinementCtx) => {
    if ((value[a] === undefined) === (value[b] === undefined))
      ctx.addIssue({ code: "custom", path: [a], message: `Give ${a} or ${b}, one of them.` });
  };
}

/** Query of GET /api/v1/schedule. */
export const ScheduleQuery = z
  .strictObject({
    product: z.enum(PRODUCTS, `One of ${PRODUCTS.join(", ")}.`),
    pack: z.enum(["raw", "hot"], "raw or hot."),
    container: z.enum(CONTAINERS, `One of ${CONTAINERS.join(", ")}.`),
    gauge: z.enum(["dial", "weighted"], "dial or weighted."),
    altitudeFt: altitudeFt.optional(),
    altitudeM: altitudeM.optional(),
  })
  .superRefine(oneOf("altitudeFt", "altitudeM"))
  .transform(({ altitudeFt: ft, altitudeM: m, ...rest }) => ({ ...rest, altitudeM: m ?? mFromFt(ft!) }));

/** Query of GET /api/v1/steam. */
export const SteamQuery = z
  .strictObject({
    altitudeFt: altitudeFt.optional(),
    altitudeM: altitudeM.optional(),
    gaugePsi: number("gaugePsi")
      .refine((p) => p >= 0 && p <= 60, "A gauge reads from 0 to 60 psi.")
      .optional(),
    gaugeKPa: number("gaugeKPa")
      .refine((p) => p >= 0 && p <= 414, "A gauge reads from 0 to 414 kPa.")
      .optional(),
    airFraction: number("airFraction")
      .refine((x) => x >= 0 && x < 1, "At least 0 and below 1.")
      .optional(),
  })
  .superRefine(oneOf("altitudeFt", "altitudeM"))
  .superRefine(oneOf("gaugePsi", "gaugeKPa"))
  .transform((q) => ({
    altitudeM: q.altitudeM ?? mFromFt(q.altitudeFt!),
    gaugeKPa: q.gaugeKPa ?? kPaFromPsi(q.gaugePsi!),
    airFraction: q.airFraction ?? 0,
  }));

const Source = z.object({ name: z.string(), locator: z.string(), fromMemory: z.boolean() });

const Confirmation = z.object({
  by: z.array(
    z.object({
      name: z.string(),
      at: z.number().describe("ms since 1970 UTC"),
      guide: z.string(),
      edition: z.number(),
      page: z.string(),
    }),
  ),
  two: z.boolean().describe("two persons typed it, each for themselves"),
  own: z.array(z.string()).optional().describe("figures of the guide used in place of the table's"),
  kept: z.array(z.string()).optional().describe("figures of the guide that are not used"),
});

export const ScheduleAnswer = z.discriminatedUnion("outcome", [
  z.object({
    outcome: z
      .literal(["tested", "common-practice"])
      .describe("tested: a published source stands behind it; common-practice: none does"),
    product: z.enum(PRODUCTS),
    pack: z.enum(["raw", "hot"]),
    container: z.enum(CONTAINERS),
    minutes: z.number().describe("minutes at pressure"),
    pressurePsi: z.number().describe("least pressure on an accurate gauge, psi"),
    gauge: z.enum(["dial", "weighted"]),
    headspaceIn: z.number().describe("inches from rim to food or liquid"),
    ventMinutes: z.number(),
    conditions: z.array(z.object({ key: z.string(), text: z.string(), source: Source })),
    notes: z.array(z.string()),
    source: Source,
    confirmation: Confirmation.optional().describe("the household compared this row with its own guide"),
  }),
  z.object({ outcome: z.literal("none"), reason: z.string(), instead: z.array(z.string()) }),
]);

export const SteamAnswer = z.object({
  atmosphericKPa: z.number(),
  absoluteKPa: z.number(),
  tempC: z.number(),
  tempF: z.number(),
});

const RunStateAnswer = z.object({
  phase: z.string(),
  finishAt: z.string().nullable(),
  restarts: z.number().int(),
});

/** Query of GET /api/v1/runs/{id}. */
export const RunQuery = z.strictObject({
  readings: z.enum(["all", "none"], "all or none.").optional().describe("none: only what people said"),
});

export const RunAnswer = z.object({
  id: z.string(),
  code: z.string(),
  canner: z.string(),
  now: z.string().describe("the larder's own clock"),
  altitudeM: z.number(),
  openedAt: z.string(),
  plan: z.object({
    minutes: z.number().describe("minutes of the scheduled process"),
    extraMinutes: z.number().describe("minutes the household adds by its own choice; 0 for none"),
    fillers: z
      .array(
        z.object({
          container: z.enum(CONTAINERS),
          mouth: z.enum(["regular", "wide"]).nullable(),
          count: z.number(),
          of: z.enum(["water", "beans"]),
        }),
      )
      .describe("containers that only fill up the canner; they are not stock"),
    floorKPa: z.number(),
    safeMaxKPa: z.number(),
    governs: z.string(),
    ventMinutes: z.number(),
    marginKPa: z.number(),
    weightKPa: z.number().nullable(),
  }),
  source: Source,
  edition: z.string(),
  state: RunStateAnswer.extend({
    outcome: z.string(),
    phaseSince: z.string(),
    completedAt: z.string().nullable(),
  }),
  deviations: z.array(
    z.object({
      kind: z.string(),
      at: z.string(),
      until: z.string().nullable(),
      gaugeKPa: z.number().nullable(),
    }),
  ),
  packs: z.array(
    z.object({
      code: z.string(),
      product: z.string(),
      method: z.string(),
      container: z.string(),
      count: z.number(),
    }),
  ),
  events: z.array(
    z.object({
      id: z.string(),
      at: z.string(),
      type: z.string(),
      gaugeKPa: z.number().nullable(),
      tempC: z.number().nullable(),
      by: z.string().nullable(),
      text: z.string().nullable(),
      gauge: z.string().nullable(),
      perMinute: z.number().nullable(),
      container: z.string().nullable(),
      /** when it was heard, where that was later than `at` */
      heardAt: z.string().nullable(),
      /** `device`: by the clock of the device that said it; `doubted`: that clock contradicts ours, and it counts from arrival */
      knownBy: z.enum(["device", "doubted"]).nullable(),
      /** what a doubted clock said */
      claimedAt: z.string().nullable(),
    }),
  ),
});

export const TraceAnswer = z.object({
  root: z.string(),
  nodes: z.array(
    z.object({
      code: z.string(),
      kind: z.enum(["harvest", "lot", "pack", "run", "container"]),
      title: z.string(),
      at: z.string(),
      harvests: z.record(z.string(), z.number()),
    }),
  ),
  edges: z.array(z.object({ from: z.string(), to: z.string(), share: z.number() })),
});

export const Problem = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  errors: z.array(z.object({ field: z.string(), message: z.string() })).optional(),
});
