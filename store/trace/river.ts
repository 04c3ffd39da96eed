import { type Larder } from "#store/db";

/** One bank of a river: an animal, a lot, or a pack of jars or cans. */
export interface RiverNode {
  code: string;
  kind: "harvest" | "lot" | "pack";
  /** species key of an animal, part of a lot, container of a pack */
  what: string;
  at: number;
  /** how many containers a pack has; 0 otherwise */
  count: number;
}

/** Weight that ran from one to another, kg. */
export interface RiverFlow {
  from: string;
  to: string;
  massKg: number;
}

export interface River {
  nodes: RiverNode[];
  flows: RiverFlow[];
}

const EDGES = `
  select coalesce(from_harvest, from_lot) as source, to_lot as target, mass_kg as massKg from lot_flow
  union all select lot_id, pack_id, mass_kg from pack_lot`;

/** Everything that ran into and out of an animal or a lot, by weight, on to the jars. */
export function riverOf(larder: Larder, id: string): River {
  const sql = `with recursive edge as (${EDGES}),
      up(id) as (select @id union select edge.source from up join edge on edge.target = up.id),
      down(id) as (select @id union select edge.target from down join edge on edge.source = down.id),
      near(id) as (select id from up union select id from down)
    select source as "from", target as "to", sum(massKg) as massKg from edge
      where source in (select id from near) and target in (select id from near) group by source, target`;
  const raw = larder.sqlite.prepare(sql).all({ id }) as RiverFlow[];
  const ids = [...new Set([id, ...raw.flatMap((f) => [f.from, f.to])])];
  const nodes = larder.sqlite
    .prepare(
      `with ids as (select value from json_each(?))
       select id, code, 'harvest' as kind, species as what, created_at as at, 0 as count from harvest where id in ids
       union all select id, code, 'lot', part, made_at, 0 from lot where id in ids
       union all select id, code, 'pack', container, made_at, (select count(*) from container c where c.pack_id = pack.id and c.emptied_at is null) from pack where id in ids
       order by at`,
    )
    .all(JSON.stringify(ids)) as (RiverNode & { id: string })[];
  const codes = new Map(nodes.map((n) => [n.id, n.code]));
  return {
    nodes: nodes.map(({ id: _, ...node }) => node),
    flows: raw.map((f) => ({ from: codes.get(f.from)!, to: codes.get(f.to)!, massKg: f.massKg })),
  };
}
