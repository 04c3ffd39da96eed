import type { Larder } from "#store/db";

/** One change: who, when, on which screen, what and why. */
export interface Change {
  id: number;
  at: number;
  by: string | null;
  device: string | null;
  /** when the larder heard of it, where that was later than it was said */
  heardAt: number | null;
  action: string;
  /** code of what it was about, where that has one */
  code: string | null;
  kind: string;
  /** the reason that was given; null where none was asked for */
  why: string | null;
  /** everything that was written down with it */
  detail: Record<string, unknown>;
}

export interface ChangesWanted {
  /** only those of this person */
  byId?: string | null;
  /** only those whose action begins so: `lot`, `run.open` */
  action?: string | null;
  /** only those about what this code names */
  code?: string | null;
  /** those before this number: the next page */
  before?: number | null;
  limit?: number;
}

const PAGE = 60;

/** Returns lines of the activity log, newest first. */
export function listChanges(larder: Larder, wanted: ChangesWanted = {}): Change[] {
  const { byId = null, action = null, code = null, before = null, limit = PAGE } = wanted;
  const rows = larder.sqlite
    .prepare(
      `select a.id, a.at, p.name as "by", a.device, a.heard_at as heardAt, a.action, a.entity_kind as kind,
         r.code, a.detail
       from audit a left join person p on p.id = a.by_id left join code_register r on r.entity_id = a.entity_id
       where (@byId is null or a.by_id = @byId) and (@before is null or a.id < @before)
         and (@action is null or a.action = @action or a.action glob @action || '.*')
         and (@code is null or a.entity_id = (select entity_id from code_register where code = @code))
       order by a.id desc limit @limit`,
    )
    .all({ byId, before, action, code, limit }) as (Omit<Change, "detail" | "why"> & { detail: string })[];
  return rows.map((row) => {
    const detail = asRecord(JSON.parse(row.detail));
    return { ...row, detail, why: whyOf(detail) };
  });
}

/** What a line of the activity log says in short. */
export interface LoggedChange {
  id: number;
  by: string | null;
  action: string;
  code: string | null;
}

/**
 * Returns the lines of the activity log after one, oldest first; of very many the newest.
 *
 * @param after number of a line; those after it are returned
 * @param most how many at most, 1 or more
 */
export function changesAfter(larder: Larder, after: number, most: number): LoggedChange[] {
  const rows = larder.sqlite
    .prepare(
      `select a.id, p.name as "by", a.action, r.code
       from audit a left join person p on p.id = a.by_id left join code_register r on r.entity_id = a.entity_id
       where a.id > ? order by a.id desc limit ?`,
    )
    .all(after, most) as LoggedChange[];
  return rows.reverse();
}

/** Returns the number of the newest line of the activity log; 0 when there is none. */
export function lastChange(larder: Larder): number {
  return larder.sqlite.prepare("select coalesce(max(id), 0) from audit").pluck().get() as number;
}

const asRecord = (value: unknown): Record<string, unknown> =>
  typeof value === "object" && value !== null ? (value as Record<string, unknown>) : { value };

/** Names under which reasons are written down. */
const REASONS = ["reason", "signedReason", "equipmentReason", "why", "note", "condition"];

function whyOf(detail: Record<string, unknown>): string | null {
  for (const name of REASONS) {
    const said = detail[name];
    if (typeof said === "string" && said.trim()) return said;
  }
  return null;
}

/** Returns every action in the activity log, each once, for choosing. */
export function actionsDone(larder: Larder): string[] {
  // From one action to the next in the index: a lifetime of changes is not read for a dozen names.
  const all = larder.sqlite
    .prepare(
      `with recursive done (action) as (
         select min(action) from audit
         union all select (select min(a.action) from audit a where a.action > done.action) from done where done.action is not null)
       select action from done where action is not null`,
    )
    .pluck()
    .all() as string[];
  return [...new Set(all.map((a) => a.split(".")[0]!))].sort();
}

/** An entry that was put right, beside what took its place. */
export interface Correction {
  what: "reading" | "cold";
  code: string;
  at: number;
  was: string;
  now: string | null;
  by: string | null;
  correctedAt: number;
}

/** Returns what was corrected, newest first: each new line with the old one it names. */
export function listCorrections(larder: Larder, limit = PAGE): Correction[] {
  return larder.sqlite
    .prepare(
      `select * from (
         select 'reading' as what, r.code, o.at,
           o.type || coalesce(' ' || round(o.gauge_kpa, 1) || ' kPa', '') || coalesce(' ' || round(o.temp_c, 1) || ' °C', '') as was,
           n.type || coalesce(' ' || round(n.gauge_kpa, 1) || ' kPa', '') || coalesce(' ' || round(n.temp_c, 1) || ' °C', '')
             || coalesce(', ' || n.note, '') as now,
           n.by_name as "by", n.recorded_at as correctedAt
         from run_event n join run_event o on o.id = n.corrects join run r on r.id = n.run_id
         union all
         select 'cold', h.code, o.at, coalesce(round(o.temp_c, 1) || ' °C ', '') || coalesce(o.place, ''),
           nullif(coalesce(round(n.temp_c, 1) || ' °C ', '') || coalesce(n.place, ''), ''), p.name, n.at
         from cold_entry n join cold_entry o on o.id = n.corrects join harvest h on h.id = n.harvest_id
           left join person p on p.id = n.by_id)
       order by correctedAt desc limit ?`,
    )
    .all(limit) as Correction[];
}
