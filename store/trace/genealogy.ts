import type { Larder } from "#store/db";
import { genealogy } from "#store/lot";
import { CONTAINER_ALL_KG } from "#store/pack";

/** One bank of a river: an animal, a lot, a pack of jars or cans, a run, or what became of some containers. */
export interface GenealogyNode {
  /** its code; for what became of some containers a name of its own */
  code: string;
  kind: "harvest" | "lot" | "pack" | "run" | "fate";
  /** species key of an animal, part of a lot, container of a pack, canner of a run, what became of them */
  what: string;
  at: number;
  /** how many containers a pack has, or met this fate; 0 otherwise */
  count: number;
}

/** Weight that ran from one to another, kg. */
export interface GenealogyFlow {
  from: string;
  to: string;
  massKg: number;
}

export interface GenealogyGraph {
  nodes: GenealogyNode[];
  flows: GenealogyFlow[];
}

/** What ran straight into any of `near`. */
const INTO = `select coalesce(f.from_harvest, f.from_lot) as source, f.to_lot as target, f.mass_kg as massKg from near join lot_flow f on f.to_lot = near.id
  union all select x.lot_id, x.pack_id, x.mass_kg from near join pack_lot x on x.pack_id = near.id
  union all select c.pack_id, x.pack_id, x.mass_kg from near join repacked x on x.pack_id = near.id join container c on c.id = x.container_id`;

/**
 * Returns everything that went into and out of an animal, a lot or a pack, down to the containers, as a graph with
 * weights in kg.
 */
export function genealogyOf(larder: Larder, id: string): GenealogyGraph {
  return genealogyAmong(larder, [id], "both");
}

function genealogyAmong(larder: Larder, starts: readonly string[], way: "up" | "both"): GenealogyGraph {
  const sql = `with recursive ${genealogy("up")}, ${genealogy("down")},
      near(id) as materialized (${way === "up" ? "select id from up" : "select id from up union select id from down"})
    select source as "from", target as "to", sum(massKg) as massKg from (${INTO})
      where source in (select id from near) group by source, target`;
  const raw = larder.sqlite.prepare(sql).all({ starts: JSON.stringify(starts) }) as GenealogyFlow[];
  const ids = [...new Set([...starts, ...raw.flatMap((f) => [f.from, f.to])])];
  const nodes = larder.sqlite
    .prepare(
      `with ids as (select value from json_each(?))
       select id, code, 'harvest' as kind, species as what, created_at as at, 0 as count from harvest where id in ids
       union all select id, code, 'lot', part, made_at, 0 from lot where id in ids
       union all select id, code, 'pack', container, made_at, (select count(*) from container c where c.pack_id = pack.id and c.emptied_at is null) from pack where id in ids
       order by at`,
    )
    .all(JSON.stringify(ids)) as (GenealogyNode & { id: string })[];
  const codes = new Map(nodes.map((n) => [n.id, n.code]));
  return {
    nodes: nodes.map(({ id: _, ...node }) => node),
    flows: raw.map((f) => ({ from: codes.get(f.from)!, to: codes.get(f.to)!, massKg: f.massKg })),
  };
}

const FATE = `case when c.moved = 'shelved' then 'on the shelf' when c.moved = 'opened' then 'eaten' when c.moved = 'given' then 'given away'
  when c.moved = 'discarded' or c.disposition = 'discard' then 'thrown out' when c.moved = 'missing' then 'missing'
  when c.disposition = 'chill' then 'in the fridge' when c.disposition = 'freeze' then 'in the freezer' when c.disposition = 'repack' then 'reprocessed'
  when c.seal = 'failed' then 'not sealed' when c.seal = 'sealed' then 'sealed' else 'not looked at yet' end`;

/**
 * Returns the whole way of what a code names, as a graph with weights in kg and the instant of each stage: animals,
 * lots, packs, runs, and what became of the containers. Of one container, only what led to it and its own end.
 */
export function fullGenealogy(
  larder: Larder,
  kind: "harvest" | "lot" | "pack" | "run" | "container",
  id: string,
): GenealogyGraph {
  const packs = (sql: string, key: string) => larder.sqlite.prepare(sql).pluck().all(key) as string[];
  const starts =
    kind === "run"
      ? packs("select id from pack where run_id = ?", id)
      : kind === "container"
        ? packs("select pack_id from container where id = ?", id)
        : [id];
  const river = genealogyAmong(larder, starts, kind === "container" ? "up" : "both");
  const packCodes = river.nodes.filter((n) => n.kind === "pack").map((n) => n.code);
  const list = JSON.stringify(packCodes);
  const runs = larder.sqlite
    .prepare(
      `select k.code as pack, r.code, n.name as what, r.opened_at as at, (select sum(mass_kg) from pack_from x where x.pack_id = k.id) as massKg
       from pack k join run r on r.id = k.run_id join canner n on n.id = r.canner_id where k.code in (select value from json_each(?))`,
    )
    .all(list) as { pack: string; code: string; what: string; at: number; massKg: number }[];
  for (const r of runs) {
    if (!river.nodes.some((n) => n.code === r.code))
      river.nodes.push({ code: r.code, kind: "run", what: r.what, at: r.at, count: 0 });
    river.flows.push({ from: r.pack, to: r.code, massKg: r.massKg });
  }
  const fates = larder.sqlite
    .prepare(
      `select r.code as run, ${FATE} as what, count(*) as count, sum(${CONTAINER_ALL_KG}) as massKg, max(coalesce(c.moved_at, c.sealed_at, r.ended_at, r.opened_at)) as at
       from container c join pack k on k.id = c.pack_id join run r on r.id = k.run_id
       where c.emptied_at is null and ${kind === "container" ? "c.id = @id" : "k.code in (select value from json_each(@list))"} group by 1, 2 order by 4 desc`,
    )
    .all({ id, list }) as { run: string; what: string; count: number; massKg: number; at: number }[];
  for (const f of fates) {
    const code = `${f.run} ${f.what}`;
    river.nodes.push({ code, kind: "fate", what: f.what, at: f.at, count: f.count });
    river.flows.push({ from: f.run, to: code, massKg: f.massKg });
  }
  throughTheRun(larder, river);
  return river;
}

/**
 * Lets what was reprocessed after a run flow on from there, and not from its pack beside it: it would be counted in the
 * pack twice, once into the run and once past it.
 */
function throughTheRun(larder: Larder, river: GenealogyGraph): void {
  const rows = larder.sqlite
    .prepare(
      `select k.code as before, b.code as fresh, r.code as run, sum(x.mass_kg) as massKg, count(distinct c.id) as count, max(coalesce(c.sealed_at, r.ended_at, r.opened_at)) as at
       from repacked x join container c on c.id = x.container_id join pack k on k.id = c.pack_id
       join run r on r.id = k.run_id join pack b on b.id = x.pack_id
       where c.emptied_at is null and r.code in (select value from json_each(?)) group by 1, 2, 3`,
    )
    .all(JSON.stringify(river.nodes.map((n) => n.code))) as {
    before: string;
    fresh: string;
    run: string;
    massKg: number;
    count: number;
    at: number;
  }[];
  for (const { before, fresh, run, massKg, count, at } of rows) {
    const past = river.flows.find((f) => f.from === before && f.to === fresh);
    if (!past) continue;
    past.massKg -= massKg;
    const fate = `${run} reprocessed`;
    // The way up to one container has no other ends in it.
    if (!river.nodes.some((n) => n.code === fate)) {
      river.nodes.push({ code: fate, kind: "fate", what: "reprocessed", at, count });
      river.flows.push({ from: run, to: fate, massKg });
    }
    const on = river.flows.find((f) => f.from === fate && f.to === fresh);
    if (on) on.massKg += massKg;
    else river.flows.push({ from: fate, to: fresh, massKg });
  }
  river.flows = river.flows.filter((f) => f.massKg > 1e-9);
}
