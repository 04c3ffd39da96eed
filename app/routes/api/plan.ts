import type { Route } from "./+types/plan";
import { fillEstimate } from "#core/pack";
import { proposeLoads, type PlanWish } from "#core/plan";
import { larderContext } from "../../server/context";
import { solveBeside } from "../../features/planning/solver.server";
import { PlanAnswer, PlanBody, altitudeOf, kindOf } from "./plan-schemas";
import { answering, json, posted, problem } from "./problem";
import type { z } from "zod";
import { AS_PUBLISHED, type HouseholdRows } from "#core/schedule";
import { getHousehold } from "#store/household";

export function action({ request, context }: Route.ActionArgs) {
  return answering(async () => {
    const body = await posted(request, PlanBody);
    const larder = context.get(larderContext);
    const now = larder.now();
    const p = await proposeLoads(
      wishOf(body, now, getHousehold(larder)?.rows ?? AS_PUBLISHED),
      now,
      solveBeside,
      SECONDS,
    );
    const loads = p.loads.map((l) => ({
      canner: l.cannerId,
      minutes: l.governing.minutes,
      pressurePsi: l.governing.target.facePsi,
      governs: l.governing.target.governs,
      why: l.governing.why,
      parts: l.parts.map(({ lotId, kind, count, product, pack, kgEach }) => {
        const [container, mouth = null] = kind.split(" ");
        return { lot: lotId, container, mouth, count, product, pack, kgEach };
      }),
      layers: l.layers,
      missingToLeastLoad: l.missing,
    }));
    const leftKg = Object.fromEntries(p.left.map((l) => [l.lotId, l.kg]));
    const notes = p.notes.map(({ reason, instead }) => ({ reason, instead }));
    return json(PlanAnswer.parse({ loads, leftKg, notes, scores: p.scores, proven: p.proven }));
  });
}

export function loader() {
  return problem(405, "Only POST is taken here.");
}

/** Seconds for each thing a plan is judged by: nobody keeps the solver from the household for long. */
const SECONDS = 3;

function wishOf(body: z.output<typeof PlanBody>, now: number, rows: HouseholdRows): PlanWish {
  const kinds = new Set(body.lots.flatMap((l) => l.into.map(kindOf)));
  const counted = new Map(body.stock.containers.map((c) => [kindOf(c), c.count]));
  return {
    altitudeM: altitudeOf(body),
    rows,
    lots: body.lots.map((l) => ({
      id: l.id,
      massKg: l.massKg,
      into: l.into.map((i) => ({
        kind: kindOf(i),
        product: i.product,
        pack: i.pack,
        kgEach: i.kgEach ?? fillEstimate(i.product, i.pack, i.container, [], i.mouth ?? null).kgEach,
      })),
    })),
    canners: body.canners.map((c) => ({
      id: c.id,
      name: c.id,
      quarts: c.quarts ?? null,
      gauges: {
        dial: c.dialErrorPsi === undefined ? null : { errorPsi: c.dialErrorPsi, testedAt: now },
        weightPiecesPsi: c.weightPiecesPsi,
      },
      pot: { ...c, manual: {} },
      minLoad: c.minLoad,
      without: [],
      maxLoads: c.maxLoads,
    })),
    stock: {
      containers: Object.fromEntries([...kinds].map((k) => [k, counted.get(k) ?? null])),
      lids: { regular: body.stock.lids.regular ?? null, wide: body.stock.lids.wide ?? null },
      ends: {},
    },
    settled: [],
    maxLoads: body.maxLoads,
    signedOverdue: false,
  };
}
