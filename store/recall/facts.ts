import type { Larder } from "#store/db";
import type { ContainerNow } from "#store/rest";

/** A container of a recall as it stands now. */
export interface SharedFacts extends Omit<ContainerNow, "dispositionDue" | "placeId" | "runId" | "packId"> {
  species: string[];
  /** when its time was served; null when it was not, or not yet */
  cannedAt: number | null;
  /** the shelf it stands on, or stood on last */
  place: string | null;
  /** to whom it was given, or why it went */
  note: string | null;
  /** code of its run; null before it had one */
  inRun: string | null;
}

/**
 * Returns what containers have in common with others (run, lot, animal, lids, sealer, shelf), oldest first and those
 * without a run last.
 */
export function sharedFacts(larder: Larder, ids: readonly string[]): SharedFacts[] {
  const rows = larder.sqlite
    .prepare(
      `select n.id, n.code, n.kind, n.mouth, n.product, n.pack_code as packCode, n.number, n.seal, n.disposition, n.moved, n.set_aside as setAside,
         (select code from run r where r.id = n.run_id) as inRun,
         (select completed_at from run r where r.id = n.run_id) as cannedAt,
         (select p.room || ', ' || p.name from shelf_place p where p.id = n.place_id) as place,
         (select json_group_array(distinct h.species) from pack_food x join lot_origin o on o.lot_id = x.lot_id join harvest h on h.id = o.harvest_id where x.pack_id = n.pack_id) as species,
         (select m.note from movement m where m.container_id = n.id order by m.seq desc limit 1) as note
       from json_each(?) j join container_now n on n.id = j.value order by cannedAt is null, cannedAt, n.code`,
    )
    .all(JSON.stringify(ids)) as (Omit<SharedFacts, "species"> & { species: string })[];
  return rows.map((r) => ({ ...r, species: JSON.parse(r.species) as string[] }));
}
