import type Database from "better-sqlite3";

/** What the database keeps beside its records, asked again of the records themselves. Each query finds what does not agree. */
const AGREES: [what: string, sql: string][] = [
  [
    "how a container stands is not what was found, decided and moved",
    `select 1 from container c where
       c.seal is not (select s.finding from seal_check s where s.container_id = c.id order by s.seq desc limit 1)
       or c.disposition is not (select d.what from disposition d where d.container_id = c.id order by d.seq desc limit 1)
       or c.moved is not (select m.kind from movement m where m.container_id = c.id order by m.seq desc limit 1)
       or c.place_id is not (select m.place_id from movement m where m.container_id = c.id and m.place_id is not null order by m.seq desc limit 1)`,
  ],
  [
    "a container is set aside by no recall, or not by one that stands",
    `select 1 from container c where (c.set_aside is not null) is not exists (
       select 1 from recall_item i where i.container_id = c.id and not exists (
         select 1 from recall_lift l where l.recall_id = i.recall_id and (l.container_id is null or l.container_id = c.id)))`,
  ],
  [
    "a shelf does not hold as many as were put on it",
    `select 1 from shelf_place p where p.standing is not
       (select count(*) from container c where c.moved = 'shelved' and c.place_id = p.id)`,
  ],
  [
    "what went into a pack is not what was taken from lots",
    `select * from (select pack_id, lot_id, mass_kg, via from pack_from
         except select pack_id, lot_id, mass_kg, '' from pack_lot except select pack_id, lot_id, mass_kg, container_id from repacked)
     union all select * from (select pack_id, lot_id, mass_kg, '' from pack_lot
         union all select pack_id, lot_id, mass_kg, container_id from repacked except select pack_id, lot_id, mass_kg, via from pack_from)`,
  ],
  [
    "what is left of a lot is not what was made of it less what was taken",
    `select 1 from lot where abs(left_kg - max(0, made_kg
       + coalesce((select sum(e.change_kg) from lot_event e where e.lot_id = lot.id), 0)
       - coalesce((select sum(f.mass_kg) from lot_flow f where f.from_lot = lot.id), 0)
       - coalesce((select sum(x.mass_kg) from pack_lot x where x.lot_id = lot.id), 0))) > 1e-6`,
  ],
  [
    "what is left of a supply is not what was bought less what was used",
    `select 1 from supply s where s.left <> coalesce((select sum(delta) from supply_change c where c.supply_id = s.id), 0)`,
  ],
  [
    "a code is not in the register of codes",
    ["harvest", "lot", "pack", "container", "run"]
      .map(
        (kind) =>
          `select 1 from "${kind}" x where not exists (select 1 from code_register r where r.entity_id = x.id and r.code = x.code and r.kind = '${kind}')`,
      )
      .join(" union all "),
  ],
  [
    // Packs are taken apart now and then; nothing else that had a code ever goes.
    "a code names nothing",
    `select 1 from code_register r where
       (r.kind = 'run' and not exists (select 1 from run x where x.id = r.entity_id))
       or (r.kind = 'harvest' and not exists (select 1 from harvest x where x.id = r.entity_id))
       or (r.kind = 'lot' and not exists (select 1 from lot x where x.id = r.entity_id))
       or (not exists (select 1 from audit where action in ('pack.unpack', 'bench.take-out')) and (
         (r.kind = 'pack' and not exists (select 1 from pack x where x.id = r.entity_id))
         or (r.kind = 'container' and not exists (select 1 from container x where x.id = r.entity_id))))`,
  ],
];

/**
 * What is wrong with a database, in sentences: SQLite's own check of the file, rows that point at nothing, and what is
 * kept beside the records where it does not agree with them. Empty when it is sound.
 * @param agree whether to ask the last as well; a copy of an older layout cannot be asked
 */
export function unsoundness(sqlite: Database.Database, agree = true): string[] {
  const wrong: string[] = [];
  const integrity = sqlite.pragma("integrity_check(3)", { simple: true });
  if (integrity !== "ok") return [`The file is damaged: ${String(integrity)}.`];
  const pointless = (sqlite.pragma("foreign_key_check") as { table: string }[]).length;
  if (pointless) wrong.push(`${pointless} rows point at nothing.`);
  if (agree)
    for (const [what, sql] of AGREES)
      if (sqlite.prepare(`select 1 from (${sql}) limit 1`).get())
        wrong.push(`It does not agree with itself: ${what}.`);
  return wrong;
}
