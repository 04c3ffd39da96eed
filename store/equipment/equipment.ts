import { asc, desc, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { psiFromKPa } from "#core/quantity";
import { type CannerGauges } from "#core/schedule";
import { canner, gaugeCheck } from "../schema/index.ts";

export type GaugeCheck = typeof gaugeCheck.$inferSelect;
export type Canner = typeof canner.$inferSelect & {
  /** newest first */
  checks: GaugeCheck[];
  gauges: CannerGauges;
};

function withChecks(larder: Larder, row: typeof canner.$inferSelect): Canner {
  const checks = larder.db
    .select()
    .from(gaugeCheck)
    .where(eq(gaugeCheck.cannerId, row.id))
    .orderBy(desc(gaugeCheck.at))
    .all();
  const last = checks[0];
  return {
    ...row,
    checks,
    gauges: {
      dial: row.hasDial
        ? { errorPsi: last ? psiFromKPa(last.errorKPa) : null, testedAt: last?.at ?? null }
        : null,
      weightPiecesPsi: row.weightPieces,
    },
  };
}

export function listCanners(larder: Larder): Canner[] {
  return larder.db
    .select()
    .from(canner)
    .orderBy(asc(canner.createdAt))
    .all()
    .map((row) => withChecks(larder, row));
}

export function getCanner(larder: Larder, id: string): Canner {
  const row = larder.db.select().from(canner).where(eq(canner.id, id)).get();
  return row ? withChecks(larder, row) : refuse("There is no such canner in the Shed.", 404);
}

export interface CannerInput {
  name: string;
  quarts: number | null;
  hasDial: boolean;
  weightPiecesPsi: number[];
  safeMaxKPa: number;
}

export function addCanner(larder: Larder, write: Write, input: CannerInput): { id: string } {
  return once(larder, write, "canner.add", () => {
    if (larder.db.select().from(canner).where(eq(canner.name, input.name)).get()) {
      throw new Refused({
        name: `There is already a canner called ${input.name}. Give this one another name.`,
      });
    }
    if (!input.hasDial && input.weightPiecesPsi.length === 0) {
      throw new Refused({
        weightPieces: "Say what it holds pressure with: a dial gauge, a weight, or both.",
      });
    }
    const id = uuid();
    larder.db
      .insert(canner)
      .values({
        id,
        name: input.name,
        quarts: input.quarts,
        hasDial: input.hasDial ? 1 : 0,
        weightPieces: input.weightPiecesPsi,
        safeMaxKPa: input.safeMaxKPa,
        createdAt: larder.now(),
      })
      .run();
    return { result: { id }, note: { kind: "canner", id, detail: input } };
  });
}

/** Records a test of a dial gauge. @param at when it was tested, not later than now */
export function recordGaugeCheck(
  larder: Larder,
  write: Write,
  input: { cannerId: string; at: number; errorKPa: number; note: string | null },
): { id: string } {
  return once(larder, write, "gauge.check", () => {
    const known = getCanner(larder, input.cannerId);
    if (!known.hasDial) throw new Refused({ "": `${known.name} has no dial gauge to test.` });
    if (input.at > larder.now()) throw new Refused({ at: "That day has not come yet. When was it tested?" });
    const id = uuid();
    larder.db
      .insert(gaugeCheck)
      .values({ id, byId: write.byId, ...input })
      .run();
    return { result: { id }, note: { kind: "canner", id: input.cannerId, detail: input } };
  });
}
