import type { Larder } from "#store/db";
import type { DefectKey } from "#core/seam";

/** What was read and seen of one can before its run, in order, and what its meat was in before and after. */
export interface CanStory {
  events: {
    at: number;
    tempC: number | null;
    verdict: "accept" | "redo" | null;
    defects: { key: DefectKey; degrees: number }[];
    sealer: string | null;
    byName: string | null;
  }[];
  replacesCode: string | null;
  replacedByCode: string | null;
  emptiedAt: number | null;
  packId: string;
}

/** Returns the history of a can on the bench; of a jar, only its pack. */
export function canHistory(larder: Larder, containerId: string): CanStory {
  const events = larder.sqlite
    .prepare(
      `select x.at, x.temp_c as tempC, x.verdict, coalesce(x.defects, '[]') as defects, t.name as sealer, p.name as byName
       from can_check x left join tool t on t.id = x.sealer_id left join person p on p.id = x.by_id
       where x.container_id = ? order by x.seq`,
    )
    .all(containerId) as (Omit<CanStory["events"][number], "defects"> & { defects: string })[];
  const own = larder.sqlite
    .prepare(
      `select c.pack_id as packId, c.emptied_at as emptiedAt, (select code from container o where o.id = c.replaces) as replacesCode,
         (select code from container n where n.replaces = c.id) as replacedByCode
       from container c where c.id = ?`,
    )
    .get(containerId) as Omit<CanStory, "events">;
  return {
    ...own,
    events: events.map((e) => ({
      ...e,
      defects: JSON.parse(e.defects) as CanStory["events"][number]["defects"],
    })),
  };
}
