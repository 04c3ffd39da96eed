import type { YieldCase } from "#core/yield";
import type { LotForm } from "#core/species";
import type { Larder } from "#store/db";

/** Newest cases that are looked at: a household's own hand of the last seasons. */
const MOST_CASES = 60;
const MOST_ANIMALS = 30;

/** Returns every weighed cutting of this animal, newest first, weights in kg, with its part (lower case) and form. */
export function cuttingCases(
  larder: Larder,
  species: string,
): (YieldCase & { part: string; form: LotForm })[] {
  return larder.sqlite
    .prepare(
      `select f.mass_kg as inKg, l.made_kg as outKg, l.by_id as personId, lower(trim(l.part)) as part, l.form
       from (select id from harvest where species = ? order by taken_on desc limit ${MOST_ANIMALS}) h
         join lot_flow f on f.from_harvest = h.id join lot l on l.id = f.to_lot
       order by l.made_at desc limit ${MOST_CASES * 2}`,
    )
    .all(species) as (YieldCase & { part: string; form: LotForm })[];
}

/**
 * Returns weighed cases of a treatment such as cooking, for lots with this animal in them, newest first, weights in
 * kg.
 */
export function changeCases(larder: Larder, species: string, kind: string): YieldCase[] {
  return larder.sqlite
    .prepare(
      `select json_extract(e.event, '$.beforeKg') as inKg, json_extract(e.event, '$.afterKg') as outKg, e.by_id as personId
       from lot_event e where e.kind = ? and json_extract(e.event, '$.beforeKg') > 0
         and exists (select 1 from lot_origin o join harvest h on h.id = o.harvest_id where o.lot_id = e.lot_id and h.species = ?)
         and not exists (select 1 from lot_event u where u.lot_id = e.lot_id and u.kind = 'undo' and json_extract(u.event, '$.undoes') = e.id)
       order by e.at desc limit ${MOST_CASES}`,
    )
    .all(kind, species) as YieldCase[];
}

/** Returns the boneless weight of animals that were cut up to the end, with their dressed weight, kg, newest first. */
export function bonelessCases(larder: Larder, species: string): YieldCase[] {
  return larder.sqlite
    .prepare(
      `select h.weight_kg as inKg, h.by_id as personId,
         (select sum(l.made_kg) from lot_flow f join lot l on l.id = f.to_lot where f.from_harvest = h.id and l.form not in ('bones', 'broth', 'bone-in')) as outKg
       from harvest h where h.species = ? and h.weight_kg is not null and h.weight_kind in ('dressed', 'hanging')
         and coalesce((select sum(mass_kg) from lot_flow where from_harvest = h.id), 0)
           + coalesce((select sum(mass_kg) from harvest_loss where harvest_id = h.id), 0) >= 0.97 * h.weight_kg
         and exists (select 1 from lot_flow where from_harvest = h.id)
       order by h.taken_on desc limit ${MOST_CASES}`,
    )
    .all(species) as YieldCase[];
}
