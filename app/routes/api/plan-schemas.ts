import { z } from "zod";
import { CONTAINERS, PRODUCTS, shapeOf } from "#core/schedule";
import { kindKey } from "#core/capacity";
import { mFromFt } from "#core/quantity";

const mm = (low: number, high: number) => z.number().min(low).max(high);

/** Body of POST /api/v1/capacity. */
export const CapacityBody = z.strictObject({
  insideDiameterMm: mm(1, 5000).describe("inside of the canner"),
  usableHeightMm: mm(1, 5000).describe("bottom to the underside of the lid"),
  rackHeightMm: mm(0, 500).optional().describe("of the rack under each layer; 0 when left out"),
  gapMm: mm(0, 500).optional().describe("kept between containers; 0 when left out"),
  container: z.strictObject({ outsideDiameterMm: mm(1, 2000), heightMm: mm(1, 2000) }),
});

export const CapacityAnswer = z.object({
  perLayer: z.number().int(),
  layers: z.number().int(),
  total: z.number().int(),
  positions: z.array(z.object({ xMm: z.number(), yMm: z.number(), layer: z.number().int() })),
});

const containerKind = z
  .strictObject({
    container: z.enum(CONTAINERS, `One of ${CONTAINERS.join(", ")}.`),
    mouth: z.enum(["regular", "wide"]).optional(),
  })
  .refine((k) => k.container !== "jar-half-gallon", {
    message: "Nothing larger than a quart has a tested process.",
    path: ["container"],
  });

const count = z.number().int("Whole numbers only.").min(0, "There cannot be fewer than none.").max(10_000);

/** Body of POST /api/v1/plan. */
export const PlanBody = z
  .strictObject({
    altitudeFt: z.number().min(-1500).max(17_000).optional(),
    altitudeM: z.number().min(-457.2).max(5181.6).optional(),
    lots: z
      .array(
        z.strictObject({
          id: z.string().min(1).max(60),
          massKg: z.number().positive().max(500),
          into: z
            .array(
              z.strictObject({
                container: z.enum(CONTAINERS),
                mouth: z.enum(["regular", "wide"]).optional(),
                product: z.enum(PRODUCTS),
                pack: z.enum(["raw", "hot"]),
                kgEach: z.number().positive().max(5).optional().describe("common practice when left out"),
              }),
            )
            .min(1, "Into at least one kind of container.")
            .max(3, "At most three kinds of container a lot."),
        }),
      )
      .min(1, "At least one lot.")
      .max(20, "At most 20 lots at a time."),
    canners: z
      .array(
        z.strictObject({
          id: z.string().min(1).max(60),
          quarts: z.number().min(4).max(60).nullable().optional(),
          insideDiameterMm: mm(150, 600),
          usableHeightMm: mm(100, 700),
          racks: z.number().int().min(0).max(4).default(1),
          rackHeightMm: mm(0, 60).default(5),
          dialErrorPsi: z.number().min(-10).max(10).optional().describe("of a dial tested within a year"),
          weightPiecesPsi: z.array(z.number().positive().max(20)).max(4).default([]),
          minLoad: z.number().int().min(0).max(20).default(0),
          maxLoads: z.number().int().min(0).max(20).nullable().default(null),
        }),
      )
      .min(1, "At least one canner.")
      .max(4, "At most four canners."),
    stock: z
      .strictObject({
        containers: z.array(z.intersection(containerKind, z.object({ count }))).default([]),
        lids: z.strictObject({ regular: count.optional(), wide: count.optional() }).default({}),
      })
      .default({ containers: [], lids: {} }),
    maxLoads: z.number().int().min(0).max(30).nullable().default(null),
  })
  .superRefine((b, ctx) => {
    if ((b.altitudeFt === undefined) === (b.altitudeM === undefined))
      ctx.addIssue({
        code: "custom",
        path: ["altitudeFt"],
        message: "Give altitudeFt or altitudeM: without it no pressure is known.",
      });
    for (const list of ["lots", "canners"] as const)
      if (new Set(b[list].map((x) => x.id)).size < b[list].length)
        ctx.addIssue({ code: "custom", path: [list], message: "Each id once." });
    for (const [i, lot] of b.lots.entries())
      for (const [j, into] of lot.into.entries())
        if (into.container === "jar-half-gallon")
          ctx.addIssue({
            code: "custom",
            path: ["lots", i, "into", j, "container"],
            message: "Nothing larger than a quart has a tested process.",
          });
  });

/** The kind of a container as the plan names it. */
export function kindOf(k: {
  container: (typeof CONTAINERS)[number];
  mouth?: "regular" | "wide" | undefined;
}): string {
  return kindKey(k.container, shapeOf(k.container, k.mouth).mouth);
}

export const altitudeOf = (b: { altitudeFt?: number | undefined; altitudeM?: number | undefined }) =>
  b.altitudeM ?? mFromFt(b.altitudeFt!);

export const PlanAnswer = z.object({
  loads: z.array(
    z.object({
      canner: z.string(),
      minutes: z.number(),
      pressurePsi: z.number().describe("to stand on its face or weight"),
      governs: z.string(),
      why: z.array(z.string()),
      parts: z.array(
        z.object({
          lot: z.string(),
          container: z.string(),
          mouth: z.string().nullable(),
          count: z.number().int(),
          product: z.string(),
          pack: z.string(),
          kgEach: z.number(),
        }),
      ),
      layers: z.array(z.record(z.string(), z.number().int())),
      missingToLeastLoad: z.number().int(),
    }),
  ),
  leftKg: z.record(z.string(), z.number()),
  notes: z.array(z.object({ reason: z.string(), instead: z.array(z.string()) })),
  scores: z.record(z.string(), z.number()),
  proven: z
    .array(z.string())
    .describe("scores no plan does better at, each among plans equal in those before"),
});
