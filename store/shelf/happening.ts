import type { Larder } from "#store/db";
import type { SealLook } from "#core/rest";
import type { OpeningSign } from "#core/shelf";

/** One thing that happened to a container after its run. */
export interface Happening {
  at: number;
  kind: "seal" | "disposition" | "movement" | "opening" | "aside" | "lifted";
  what: string;
  /** the shelf it was put on, or what was said */
  note: string | null;
  byName: string | null;
  seen: SealLook | OpeningSign[] | null;
}

/** Returns the seal checks, decisions, movements, recalls and opening of a container, in the order they happened. */
export function happeningsOf(larder: Larder, containerId: string): Happening[] {
  const rows = larder.sqlite
    .prepare(
      `select s.at, 'seal' as kind, s.finding as what, null as note, p.name as byName, s.seen from seal_check s left join person p on p.id = s.by_id where s.container_id = @id
       union all select d.at, 'disposition', d.what, null, p.name, null from disposition d left join person p on p.id = d.by_id where d.container_id = @id
       union all select m.at, 'movement', m.kind, coalesce(l.room || ', ' || l.name, m.note), p.name, null from movement m left join person p on p.id = m.by_id
         left join shelf_place l on l.id = m.place_id where m.container_id = @id
       union all select o.at, 'opening', case o.signs when '[]' then 'sound' else 'bad' end, o.note, p.name, o.signs from opening o left join person p on p.id = o.by_id where o.container_id = @id
       union all select r.at, 'aside', 'set aside', r.reason, p.name, null from recall_item i join recall r on r.id = i.recall_id left join person p on p.id = r.by_id where i.container_id = @id
       union all select l.at, 'lifted', 'lifted', l.reason, p.name, null from recall_item i join recall_lift l on l.recall_id = i.recall_id and (l.container_id is null or l.container_id = i.container_id)
         left join person p on p.id = l.by_id where i.container_id = @id
       union all select r.at, 'aside', 'recall', r.reason, p.name, null from recall r left join person p on p.id = r.by_id
         where r.container_id = @id and not exists (select 1 from recall_item i where i.recall_id = r.id and i.container_id = @id)
       union all select l.at, 'lifted', 'recall lifted', l.reason, p.name, null from recall r join recall_lift l on l.recall_id = r.id and l.container_id is null
         left join person p on p.id = l.by_id where r.container_id = @id and not exists (select 1 from recall_item i where i.recall_id = r.id and i.container_id = @id)
       order by 1`,
    )
    .all({ id: containerId }) as (Omit<Happening, "seen"> & { seen: string | null })[];
  return rows.map((r) => ({ ...r, seen: r.seen ? JSON.parse(r.seen) : null }));
}
