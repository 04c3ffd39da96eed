import type { Larder } from "#store/db";

/** Returns the packs whose containers have lids of a box, with how many each, newest first. */
export function packsWithBox(
  larder: Larder,
  supplyId: string,
): { code: string; count: number; madeAt: number }[] {
  return larder.sqlite
    .prepare(
      `select k.code, count(*) as count, k.made_at as madeAt from container_lid l join pack k on k.id = l.pack_id
       where l.supply_id = ? group by k.id order by k.made_at desc`,
    )
    .all(supplyId) as { code: string; count: number; madeAt: number }[];
}

/** Returns the boxes the lids of a pack came from, with how many each. */
export function boxesOfPack(larder: Larder, packId: string): { label: string; count: number }[] {
  return larder.sqlite
    .prepare(
      `select s.label, count(*) as count from container_lid l join supply s on s.id = l.supply_id
       where l.pack_id = ? group by s.id order by s.created_at`,
    )
    .all(packId) as { label: string; count: number }[];
}
