import type { Larder } from "#store/db";
import type { SealerEvent } from "#core/seam";

/** From an instant up to another, which is not in it, ms since 1970 UTC. */
export interface Span {
  from: number;
  to: number;
}

const rowsOf = <T>(larder: Larder, sql: string, span: Span): T[] =>
  larder.sqlite.prepare(sql).all({ from: span.from, to: span.to }) as T[];

/** Returns the ids of the runs that were opened in a span, oldest first. */
export function runsIn(larder: Larder, span: Span): string[] {
  return rowsOf<{ id: string }>(
    larder,
    "select id from run where opened_at >= @from and opened_at < @to order by opened_at, id",
    span,
  ).map((r) => r.id);
}

/** Something that somebody signed for. */
export interface Signed {
  at: number;
  /** code of the pack or run it is about */
  code: string;
  what: string;
  reason: string | null;
  byName: string | null;
  /** how they were known; null where that was not kept yet, or nobody was named */
  known: "pin" | "chosen" | null;
}

/** How whoever wrote something was known, by the line of the activity log it was written with: the same person, within two seconds. */
const known = (by: string, at: string) =>
  `(select a.known from audit a where a.by_id = ${by} and a.at between ${at} - 2000 and ${at} + 2000 and a.known is not null order by abs(a.at - ${at}) limit 1)`;

/** Returns what departs from the tested process or went ahead anyway in a span, with who signed it, oldest first. Habits are none. */
export function signedIn(larder: Larder, span: Span): Signed[] {
  return rowsOf(
    larder,
    `select * from (
       select d.at, d.pack_code as code, d.what, d.reason, p.name as byName, ${known("d.by_id", "d.at")} as known, d.seq as n
         from deviation d left join person p on p.id = d.by_id where d.kind <> 'habit'
       union all select r.opened_at, r.code, 'Gauge test overdue, used anyway', r.gauge_signed_reason, p.name, ${known("r.gauge_signed_by", "r.opened_at")}, 0
         from run r left join person p on p.id = r.gauge_signed_by where r.gauge_signed_reason is not null
       union all select r.opened_at, r.code, 'Equipment problem, used anyway', r.equipment_signed_reason, p.name, ${known("r.equipment_signed_by", "r.opened_at")}, 1
         from run r left join person p on p.id = r.equipment_signed_by where r.equipment_signed_reason is not null)
     where at >= @from and at < @to order by at, code, n`,
    span,
  );
}

export interface GaugeTested {
  at: number;
  canner: string;
  /** how much the dial reads above true, kPa; negative when low */
  errorKPa: number;
  /** true pressure it was tested at, kPa; null when nobody said */
  atKPa: number | null;
  testedBy: string | null;
  against: string | null;
  byName: string | null;
}

/** Returns the tests of dial gauges in a span, oldest first. */
export function gaugeTestsIn(larder: Larder, span: Span): GaugeTested[] {
  return rowsOf(
    larder,
    `select g.at, c.name as canner, g.error_kpa as errorKPa, g.at_kpa as atKPa, g.tested_by as testedBy, g.against, p.name as byName
     from gauge_check g join canner c on c.id = g.canner_id left join person p on p.id = g.by_id
     where g.at >= @from and g.at < @to order by g.at, g.id`,
    span,
  );
}

export interface SealerTested {
  at: number;
  sealer: string;
  event: SealerEvent;
  note: string | null;
  byName: string | null;
}

/** Returns the setup tests and measured cans of the sealers in a span, and what stopped them, oldest first. */
export function sealerTestsIn(larder: Larder, span: Span): SealerTested[] {
  return rowsOf<Omit<SealerTested, "event"> & { event: string }>(
    larder,
    `select e.at, t.name as sealer, e.event, e.note, p.name as byName from sealer_event e join tool t on t.id = e.sealer_id
     left join person p on p.id = e.by_id where e.at >= @from and e.at < @to order by e.seq`,
    span,
  ).map((r) => ({ ...r, event: JSON.parse(r.event) as SealerEvent }));
}

export interface HoldTold {
  at: number;
  /** code of the animal or lot */
  code: string;
  condition: string;
  byName: string | null;
  releasedAt: number | null;
  releasedBy: string | null;
  reason: string | null;
}

/** Returns the holds that stood at any time in a span, oldest first, with how each was released. */
export function holdsIn(larder: Larder, span: Span): HoldTold[] {
  return rowsOf(
    larder,
    `select h.at, coalesce(a.code, l.code) as code, h.condition, p.name as byName, r.at as releasedAt, q.name as releasedBy, r.reason
     from hold h left join harvest a on a.id = h.harvest_id left join lot l on l.id = h.lot_id left join person p on p.id = h.by_id
     left join hold_release r on r.hold_id = h.id left join person q on q.id = r.by_id
     where h.at < @to and coalesce(r.at, @to) >= @from order by h.at, h.id`,
    span,
  );
}

/** Returns the ids of the recalls that were begun in a span, oldest first. */
export function recallsIn(larder: Larder, span: Span): string[] {
  return rowsOf<{ id: string }>(
    larder,
    "select id from recall where at >= @from and at < @to order by at, id",
    span,
  ).map((r) => r.id);
}
