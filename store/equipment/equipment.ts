import { asc, desc, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { psiFromKPa } from "#core/quantity";
import { presetFor, whyNotCanner, type Pot } from "#core/capacity";
import { GAUGE_LOW_PSI, GAUGE_REPLACE_PSI, type CannerGauges } from "#core/schedule";
import { canner, gaugeCheck } from "../schema/index.ts";

export type GaugeCheck = typeof gaugeCheck.$inferSelect;
export type Canner = typeof canner.$inferSelect & {
  /** newest first */
  checks: GaugeCheck[];
  gauges: CannerGauges;
  pot: CannerPot;
};

/** A canner's room, and whether it was measured or is that of its plain size. */
export interface CannerPot extends Pot {
  measured: boolean;
  minLoad: number;
  waterLitres: number;
}

function withChecks(larder: Larder, row: typeof canner.$inferSelect): Canner {
  const checks = larder.db
    .select()
    .from(gaugeCheck)
    .where(eq(gaugeCheck.cannerId, row.id))
    .orderBy(desc(gaugeCheck.at))
    .all();
  const last = checks[0];
  const points = last?.testId ? checks.filter((c) => c.testId === last.testId) : checks.slice(0, 1);
  return {
    ...row,
    checks,
    gauges: {
      dial: row.hasDial
        ? { errorPsi: last ? psiFromKPa(worstError(points)) : null, testedAt: last?.at ?? null }
        : null,
      weightPiecesPsi: row.weightPieces,
    },
    pot: potOf(row),
  };
}

/** Of a test at several pressures, the error to go by: the highest, since high is the dangerous side, unless it reads too low anywhere. */
function worstError(points: readonly GaugeCheck[]): number {
  const errors = points.map((p) => p.errorKPa);
  const [lowest, highest] = [Math.min(...errors), Math.max(...errors)];
  return psiFromKPa(highest) <= GAUGE_REPLACE_PSI && psiFromKPa(lowest) < -GAUGE_LOW_PSI ? lowest : highest;
}

/** What a canner is as a place to stand things in: as measured, and by its plain size where nobody has. */
function potOf(row: CannerMeasures & Pick<Row, "quarts">): CannerPot {
  const plain = presetFor(row.quarts ?? 16);
  return {
    insideDiameterMm: row.insideDiameterMm ?? plain.insideDiameterMm,
    usableHeightMm: row.usableHeightMm ?? plain.usableHeightMm,
    racks: row.racks ?? plain.racks,
    rackHeightMm: row.rackHeightMm ?? plain.rackHeightMm,
    manual: row.manual ?? {},
    measured: row.insideDiameterMm !== null && row.usableHeightMm !== null,
    minLoad: row.minLoad ?? plain.minLoad,
    waterLitres: row.waterLitres ?? plain.waterLitres,
  };
}

/** Returns the canners with their gauges and tests, in the order they were added. */
export function listCanners(larder: Larder): Canner[] {
  return larder.db
    .select()
    .from(canner)
    .orderBy(asc(canner.createdAt))
    .all()
    .map((row) => withChecks(larder, row));
}

/** Returns a canner. Throws Refused (404) when there is none of this id. */
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
  measures?: CannerMeasures;
}

type Row = typeof canner.$inferSelect;
/** What a household may measure or read in the manual; null where it has not. */
export type CannerMeasures = Pick<
  Row,
  | "insideDiameterMm"
  | "usableHeightMm"
  | "racks"
  | "rackHeightMm"
  | "waterLitres"
  | "waterDepthMm"
  | "minLoad"
  | "aluminium"
  | "manual"
  | "depressuriseMin"
>;

/** Of a canner nobody has measured yet: its plain size stands in. */
export const NO_MEASURES: CannerMeasures = {
  insideDiameterMm: null,
  usableHeightMm: null,
  racks: null,
  rackHeightMm: null,
  waterLitres: null,
  waterDepthMm: null,
  minLoad: null,
  aluminium: null,
  manual: null,
  depressuriseMin: null,
};

/** Adds a canner. Returns its id. Throws Refused at the field that cannot be. */
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
    const { quarts, measures = NO_MEASURES } = input;
    if (quarts !== null || measures.insideDiameterMm) {
      const small = whyNotCanner(potOf({ ...measures, quarts }));
      if (small) throw new Refused({ [measures.insideDiameterMm ? "inside" : "quarts"]: small });
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
        ...sensible(measures),
        createdAt: larder.now(),
      })
      .run();
    return { result: { id }, note: { kind: "canner", id, detail: input } };
  });
}

/** Measures that no household canner has are refused at their field, with what would be believed. */
function sensible(m: CannerMeasures): CannerMeasures {
  const fields: Record<string, string> = {};
  const within = (field: keyof CannerMeasures, low: number, high: number, words: string) => {
    const value = m[field];
    if (typeof value === "number" && !(value >= low && value <= high)) fields[field] = words;
  };
  within("insideDiameterMm", 150, 600, "Inside diameters lie between 6 and 24 in (150 and 600 mm).");
  within("usableHeightMm", 100, 700, "Heights under the lid lie between 4 and 28 in (100 and 700 mm).");
  within("racks", 0, 4, "A canner has from 0 to 4 racks.");
  within("rackHeightMm", 0, 60, "A rack is at most 60 mm high.");
  within("waterLitres", 0.5, 15, "Between half a quart and 16 quarts (0.5 and 15 l).");
  within("waterDepthMm", 10, 200, "Between 10 and 200 mm deep.");
  within("minLoad", 0, 20, "Between 0 and 20 containers.");
  within("depressuriseMin", 5, 180, "Between 5 and 180 minutes.");
  for (const n of Object.values(m.manual ?? {}))
    if (!Number.isInteger(n) || n < 0 || n > 200) fields.manual = "Whole numbers from the manual, 0 to 200.";
  if (Object.keys(fields).length > 0) throw new Refused(fields);
  return m;
}

/**
 * Stores what was measured on a canner or read in its manual, mm, liters and counts. Throws Refused at the field that
 * is wrong.
 */
export function measureCanner(
  larder: Larder,
  write: Write,
  cannerId: string,
  measures: CannerMeasures,
): void {
  once(larder, write, "canner.measure", () => {
    const known =
      larder.db.select().from(canner).where(eq(canner.id, cannerId)).get() ??
      refuse("There is no such canner in the Shed.", 404);
    const small = measures.insideDiameterMm ? whyNotCanner(potOf({ ...known, ...measures })) : null;
    if (small) throw new Refused({ inside: small });
    larder.db.update(canner).set(sensible(measures)).where(eq(canner.id, cannerId)).run();
    return { result: null, note: { kind: "canner", id: cannerId, detail: measures } };
  });
}

/** How a dial reads at one pressure, kPa: high is above 0. `atKPa` null when nobody said at which. */
export interface GaugePoint {
  atKPa: number | null;
  errorKPa: number;
}

/**
 * Records the test of a dial gauge, at one pressure or at several. Returns its id. Throws Refused when it is in the
 * future or its errors are impossible.
 *
 * @param input errors in kPa, above 0 when the gauge reads high; ms since 1970 UTC
 */
export function recordGaugeCheck(
  larder: Larder,
  write: Write,
  input: {
    cannerId: string;
    at: number;
    errorKPa: number;
    note: string | null;
    /** who tested it, and against what; null when nobody said */
    testedBy?: string | null;
    against?: string | null;
    more?: readonly GaugePoint[];
    atKPa?: number | null;
  },
): { id: string } {
  return once(larder, write, "gauge.check", () => {
    const known = getCanner(larder, input.cannerId);
    if (!known.hasDial) throw new Refused({ "": `${known.name} has no dial gauge to test.` });
    if (input.at > larder.now()) throw new Refused({ at: "That day is in the future. When was it tested?" });
    const id = uuid();
    const { cannerId, at, note, testedBy = null, against = null, more = [], atKPa = null, errorKPa } = input;
    const testId = more.length > 0 ? id : null;
    for (const [i, point] of [{ atKPa, errorKPa }, ...more].entries())
      larder.db
        .insert(gaugeCheck)
        .values({
          id: i === 0 ? id : uuid(),
          cannerId,
          at,
          note,
          testedBy,
          against,
          testId,
          byId: write.byId,
          ...point,
        })
        .run();
    return { result: { id }, note: { kind: "canner", id: input.cannerId, detail: input } };
  });
}
