import { type Larder } from "#store/db";
import { type DoubtKind } from "#core/recall";
import { type ContainerKey, type Mouth, type ProductKey } from "#core/schedule";
import { type Move } from "#core/shelf";
import { whereabouts } from "./story";
import { type ContainerNow } from "#store/rest";

/** One container of a recall: what it shares, and where it is now. */
export interface RecallRow {
  id: string;
  code: string;
  by: DoubtKind[];
  kind: ContainerKey;
  mouth: Mouth | null;
  product: ProductKey;
  packCode: string;
  species: string[];
  cannedAt: number | null;
  moved: Move | null;
  where: string;
  /** to whom it was given, or why it went */
  note: string | null;
  /** neither eaten nor thrown out */
  matters: boolean;
  aside: boolean;
}

type Raw = Omit<ContainerNow, "dispositionDue" | "placeId" | "runId" | "packId"> & {
  species: string;
  cannedAt: number | null;
  place: string | null;
  note: string | null;
  inRun: string | null;
};

/** The facts of containers that share something, those that still matter first. */
export function recallRows(larder: Larder, sharing: readonly { id: string; by: DoubtKind[] }[]): RecallRow[] {
  const by = new Map(sharing.map((s) => [s.id, s.by]));
  const raw = larder.sqlite
    .prepare(
      `select n.id, n.code, n.kind, n.mouth, n.product, n.pack_code as packCode, n.number, n.seal, n.disposition, n.moved, n.set_aside as setAside,
         (select code from run r where r.id = n.run_id) as inRun,
         (select completed_at from run r where r.id = n.run_id) as cannedAt,
         (select p.room || ', ' || p.name from shelf_place p where p.id = n.place_id) as place,
         (select json_group_array(distinct h.species) from pack_from x join lot_origin o on o.lot_id = x.lot_id join harvest h on h.id = o.harvest_id where x.pack_id = n.pack_id) as species,
         (select m.note from movement m where m.container_id = n.id order by m.seq desc limit 1) as note
       from json_each(?) j join container_now n on n.id = j.value order by cannedAt is null, cannedAt, n.code`,
    )
    .all(JSON.stringify([...by.keys()])) as Raw[];
  return raw
    .map((r): RecallRow => ({
      id: r.id,
      code: r.code,
      by: by.get(r.id)!,
      kind: r.kind,
      mouth: r.mouth,
      product: r.product,
      packCode: r.packCode,
      species: JSON.parse(r.species),
      cannedAt: r.cannedAt,
      moved: r.moved,
      where: whereabouts(r, r.place, r.inRun ? `in run ${r.inRun}` : null),
      note: r.note,
      matters: r.moved !== "opened" && r.moved !== "discarded" && r.disposition !== "discard",
      aside: r.setAside !== null,
    }))
    .sort((a, b) => Number(b.matters) - Number(a.matters));
}
