import type { Larder } from "#store/db";
import type { SealFinding, SealLook } from "#core/rest";

/** A container whose seal was looked at, with what might be behind a failure. */
export interface CheckedContainer {
  id: string;
  code: string;
  number: number;
  at: number;
  finding: SealFinding;
  seen: SealLook | null;
  /** box of its lid, or maker's lot of its end */
  lids: string | null;
  /** who filled it */
  person: string | null;
  canner: string;
  /** who closed it, for cans */
  sealer: string | null;
  /** the load it was filled in, and which part of it: where it stood follows from that */
  benchId: string | null;
  benchPart: number | null;
}

/**
 * Returns the newest seal check of each container, newest first.
 *
 * @param limit how many at most
 */
export function checkedSeals(larder: Larder, limit = 600): CheckedContainer[] {
  const rows = larder.sqlite
    .prepare(
      `select c.id, c.code, c.number, s.at, s.finding, s.seen, u.label as lids, p.name as person, n.name as canner,
         (select t.name from can_check v join tool t on t.id = v.sealer_id where v.container_id = c.id and v.verdict = 'accept' order by v.seq desc limit 1) as sealer,
         k.bench_id as benchId, k.bench_part as benchPart
       from (select * from seal_check x where seq = (select max(y.seq) from seal_check y where y.container_id = x.container_id) order by seq desc limit ?) s
         join container c on c.id = s.container_id join pack k on k.id = c.pack_id
         join run r on r.id = k.run_id join canner n on n.id = r.canner_id left join person p on p.id = k.by_id
         left join container_lid l on l.container_id = c.id left join supply u on u.id = l.supply_id
       order by s.seq desc`,
    )
    .all(limit) as (Omit<CheckedContainer, "seen"> & { seen: string | null })[];
  return rows.map((r) => ({ ...r, seen: r.seen ? JSON.parse(r.seen) : null }));
}
