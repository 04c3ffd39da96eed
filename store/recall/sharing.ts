import type { Larder } from "#store/db";
import { DOUBTS, type DoubtKind } from "#core/recall";

/** A container that shares something with the one in doubt. */
export interface Sharing {
  id: string;
  /** what it shares */
  by: DoubtKind[];
}

/**
 * Containers that share each doubt with the one named `@id`, as ids. Lots count with all they were split from or merged of:
 * two containers share a lot when any lot stands behind both. A sealer's stretch is that between two set-up tests.
 */
export const SHARING_SQL: Record<DoubtKind, string> = {
  run: `select c.id from container o join pack p on p.id = o.pack_id join pack k on k.run_id = p.run_id join container c on c.pack_id = k.id where o.id = @id`,
  lot: `with recursive up(id) as (
      select x.lot_id from container o join pack_from x on x.pack_id = o.pack_id where o.id = @id
      union select f.from_lot from up join lot_flow f on f.to_lot = up.id where f.from_lot is not null),
    down(id) as (select id from up union select f.to_lot from down join lot_flow f on f.from_lot = down.id)
    select c.id from down join pack_from x on x.lot_id = down.id join container c on c.pack_id = x.pack_id`,
  harvest: `with animal(id) as (select distinct g.harvest_id from container o join pack_from x on x.pack_id = o.pack_id join lot_origin g on g.lot_id = x.lot_id where o.id = @id),
    made(id) as (select g.lot_id from animal a join lot_origin g on g.harvest_id = a.id)
    select c.id from made join pack_from x on x.lot_id = made.id join container c on c.pack_id = x.pack_id`,
  lids: `select l.container_id as id from container_lid o join container_lid l on l.supply_id = o.supply_id where o.container_id = @id`,
  cans: `select c.id from container o join pack p on p.id = o.pack_id join supply_change s on s.pack_code = p.code and s.why = 'packed'
      join supply u on u.id = s.supply_id and u.kind = 'can'
    join supply_change t on t.supply_id = u.id and t.why = 'packed' join pack k on k.code = t.pack_code join container c on c.pack_id = k.id where o.id = @id`,
  sealer: `with mine(sealer, at) as (select sealer_id, at from can_check where container_id = @id and verdict = 'accept' and sealer_id is not null order by seq desc limit 1),
    stretch(sealer, since, until) as (select sealer,
      coalesce((select max(e.at) from sealer_event e where e.sealer_id = mine.sealer and e.kind = 'set-up' and e.at <= mine.at), 0),
      coalesce((select min(e.at) from sealer_event e where e.sealer_id = mine.sealer and e.kind = 'set-up' and e.at > mine.at), 9e15) from mine)
    select v.container_id as id from stretch s join can_check v on v.sealer_id = s.sealer and v.verdict = 'accept' and v.at >= s.since and v.at < s.until
      where v.seq = (select max(x.seq) from can_check x where x.container_id = v.container_id and x.verdict = 'accept')`,
  place: `select c.id from container o join container c on c.place_id = o.place_id where o.id = @id`,
};

/** Returns every container that shares any of the risks with one, without itself and without emptied cans. */
export function containersSharing(
  larder: Larder,
  containerId: string,
  kinds: readonly DoubtKind[] = DOUBTS,
): Sharing[] {
  const found = new Map<string, DoubtKind[]>();
  for (const kind of DOUBTS.filter((k) => kinds.includes(k))) {
    const ids = larder.sqlite.prepare(SHARING_SQL[kind]).pluck().all({ id: containerId }) as string[];
    for (const id of new Set(ids)) {
      const known = found.get(id);
      if (known) known.push(kind);
      else found.set(id, [kind]);
    }
  }
  found.delete(containerId);
  const emptied = larder.sqlite
    .prepare("select id from container where emptied_at is not null")
    .pluck()
    .all() as string[];
  for (const id of emptied) found.delete(id);
  return [...found].map(([id, by]) => ({ id, by }));
}

/**
 * Returns how many others share each risk with a container, and what it is called; risks of which nothing is known are
 * left out.
 */
export function sharedOf(
  larder: Larder,
  containerId: string,
): { kind: DoubtKind; name: string; count: number }[] {
  const names = larder.sqlite
    .prepare(
      `select (select r.code from run r where r.id = k.run_id) as run,
         (select replace(group_concat(distinct l.code), ',', ', ') from pack_from x join lot l on l.id = x.lot_id where x.pack_id = k.id) as lot,
         (select replace(group_concat(distinct h.code), ',', ', ') from pack_from x join lot_origin o on o.lot_id = x.lot_id join harvest h on h.id = o.harvest_id where x.pack_id = k.id) as harvest,
         (select u.label from container_lid l join supply u on u.id = l.supply_id where l.container_id = c.id) as lids,
         (select group_concat(distinct u.label) from supply_change s join supply u on u.id = s.supply_id where s.pack_code = k.code and s.why = 'packed' and u.kind = 'can') as cans,
         (select t.name from can_check v join tool t on t.id = v.sealer_id where v.container_id = c.id and v.verdict = 'accept' order by v.seq desc limit 1) as sealer,
         (select p.room || ', ' || p.name from shelf_place p where p.id = c.place_id) as place
       from container c join pack k on k.id = c.pack_id where c.id = ?`,
    )
    .get(containerId) as Record<DoubtKind, string | null> | undefined;
  if (!names) return [];
  const others = containersSharing(larder, containerId);
  return DOUBTS.flatMap((kind) => {
    const name = names[kind];
    return name === null ? [] : [{ kind, name, count: others.filter((o) => o.by.includes(kind)).length }];
  });
}
