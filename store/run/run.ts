import { and, desc, eq, isNull, lte, or } from "drizzle-orm";
import { dataVersion, memoize, refuse, type Larder } from "#store/db";
import type { RunEvent, RunPlan, RunView } from "#core/run";
import { checksOfRun, type CheckRecord } from "#store/check";
import { deviationsOfPacks, type DeviationRecord } from "#store/deviation";
import { packsOfRun, type Pack } from "#store/pack";
import { canner, run } from "../schema/index.ts";
import { nowFor, readEvents, viewOfRun } from "./event-rows.ts";

export interface RunRecord {
  id: string;
  code: string;
  cannerId: string;
  cannerName: string;
  /** size of the canner, quarts; null when not written down */
  cannerQuarts: number | null;
  plan: RunPlan;
  schedule: (typeof run.$inferSelect)["schedule"];
  openedAt: number;
  endedAt: number | null;
  zone: string;
  gaugeSignedReason: string | null;
  packs: Pack[];
  /** what was looked at before it was lit */
  checks: CheckRecord[];
  equipmentSignedReason: string | null;
  /** the burner it stood on; null when nobody said */
  burnerId: string | null;
  /** what its packs and cans were signed for: they carry it into the run and out of it */
  signedFor: DeviationRecord[];
  events: RunEvent[];
  view: RunView;
}

/** Returns whether a run still occupies its canner. */
export function isInCanner(view: RunView): boolean {
  return !["resting", "checked", "aborted"].includes(view.phase);
}

type Row = { run: typeof run.$inferSelect; name: string; quarts: number | null };

const runRows = (larder: Larder) =>
  larder.db
    .select({ run, name: canner.name, quarts: canner.quarts })
    .from(run)
    .innerJoin(canner, eq(canner.id, run.cannerId));

/** What of a run does not change with the clock. */
type Written = Omit<RunRecord, "events" | "view">;

function written(larder: Larder, { run: row, name, quarts }: Row): Written {
  const packs = packsOfRun(larder, row.id);
  return {
    id: row.id,
    code: row.code,
    cannerId: row.cannerId,
    cannerName: name,
    cannerQuarts: quarts,
    plan: row.plan,
    schedule: row.schedule,
    openedAt: row.openedAt,
    endedAt: row.endedAt,
    zone: row.zone,
    gaugeSignedReason: row.gaugeSignedReason,
    packs,
    signedFor: deviationsOfPacks(
      larder,
      packs.map((p) => p.code),
    ).filter((d) => d.kind !== "habit"),
    checks: checksOfRun(larder, row.id),
    equipmentSignedReason: row.equipmentSignedReason,
    burnerId: row.burnerId,
  };
}

function asOfNow(larder: Larder, run: Written): RunRecord {
  const events = readEvents(larder, run.id);
  return {
    ...run,
    events: [...events.settled, ...events.fresh],
    view: viewOfRun(larder, run, events, nowFor(events, larder.now())),
  };
}

const assemble = (larder: Larder, row: Row): RunRecord => asOfNow(larder, written(larder, row));

/** Returns a run as it is now. Throws Refused (404) when there is none of this id or code. */
export function getRun(larder: Larder, idOrCode: string): RunRecord {
  const row = runRows(larder)
    .where(or(eq(run.id, idOrCode), eq(run.code, idOrCode)))
    .get();
  return row ? assemble(larder, row) : refuse("There is no such run.", 404);
}

/** Returns the id of a run. Throws Refused (404) when there is none of this id or code. */
export function runIdOf(larder: Larder, idOrCode: string): string {
  const id = larder.sqlite
    .prepare("select id from run where id = @it or code = @it")
    .pluck()
    .get({ it: idOrCode });
  return (id as string | undefined) ?? refuse("There is no such run.", 404);
}

/**
 * Returns the code of a run that was in a canner at some time between two instants, ms since 1970 UTC; null when none
 * was.
 */
export function runBetween(larder: Larder, cannerId: string, from: number, to: number): string | null {
  const rows = runRows(larder)
    .where(and(eq(run.cannerId, cannerId), lte(run.openedAt, to)))
    .orderBy(desc(run.openedAt))
    .all();
  for (const row of rows) {
    const { view, code } = assemble(larder, row);
    const left = view.unloadedAt ?? row.run.endedAt ?? Infinity;
    if (left > from) return code;
  }
  return null;
}

/** Returns the runs that are neither checked nor given up, the one opened last first. */
export function activeRuns(larder: Larder): RunRecord[] {
  return memoize(larder, "runs under way", dataVersion(larder), () =>
    runRows(larder)
      .where(isNull(run.endedAt))
      .orderBy(desc(run.openedAt))
      .all()
      .map((row) => written(larder, row)),
  ).map((run) => asOfNow(larder, run));
}

/** Returns whether a run, named by its code or its id, is neither checked nor given up. */
export const isUnderWay = (larder: Larder, run: string): boolean =>
  larder.sqlite
    .prepare("select 1 from run where (code = @run or id = @run) and ended_at is null")
    .get({ run }) !== undefined;

export interface PastRun {
  id: string;
  code: string;
  openedAt: number;
  completedAt: number | null;
}

/**
 * Returns the runs that are over, newest first.
 *
 * @param limit how many at most
 */
export function pastRuns(larder: Larder, limit = 20): PastRun[] {
  return larder.sqlite
    .prepare(
      `select id, code, opened_at as openedAt, completed_at as completedAt from run
       where ended_at is not null order by opened_at desc limit ?`,
    )
    .all(limit) as PastRun[];
}

/**
 * Returns the loads of a canner that were run although something was overdue or doubtful: who signed, why and when,
 * newest first.
 */
export function signaturesOf(
  larder: Larder,
  cannerId: string,
): { code: string; at: number; byName: string | null; reason: string; about: "gauge" | "equipment" }[] {
  return larder.sqlite
    .prepare(
      `select r.code, r.opened_at as at, p.name as byName, r.gauge_signed_reason as reason, 'gauge' as about
         from run r left join person p on p.id = r.gauge_signed_by where r.canner_id = @id and r.gauge_signed_reason is not null
       union all select r.code, r.opened_at, p.name, r.equipment_signed_reason, 'equipment'
         from run r left join person p on p.id = r.equipment_signed_by where r.canner_id = @id and r.equipment_signed_reason is not null
       order by 2 desc`,
    )
    .all({ id: cannerId }) as ReturnType<typeof signaturesOf>;
}
