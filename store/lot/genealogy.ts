/**
 * Steps from what is reached to what it was made of, and to what was made of it: animals, lots, packs and containers. Each
 * finds its rows by an index. A container is made of its pack; one that was filled again makes the pack it went into.
 */
const STEPS = {
  up: `select coalesce(f.from_harvest, f.from_lot) from up join lot_flow f on f.to_lot = up.id
  union select x.lot_id from up join pack_lot x on x.pack_id = up.id
  union select c.pack_id from up join container c on c.id = up.id
  union select x.container_id from up join repacked x on x.pack_id = up.id`,
  down: `select f.to_lot from down join lot_flow f on f.from_harvest = down.id
  union select f.to_lot from down join lot_flow f on f.from_lot = down.id
  union select x.pack_id from down join pack_lot x on x.lot_id = down.id
  union select c.id from down join container c on c.pack_id = down.id
  union select x.pack_id from down join repacked x on x.container_id = down.id`,
};

/**
 * Returns the recursive walk through the genealogy, as a part of a SQL query: a table `up` or `down` with one column
 * `id`, of everything that can be reached from the starts, the starts included.
 *
 * @param way towards the animals (`up`) or the containers (`down`)
 * @param starts SQL that selects the ids of the starts; the JSON list bound as `@starts` when left out
 */
export const genealogy = (way: keyof typeof STEPS, starts = "select value from json_each(@starts)"): string =>
  `${way}(id) as (${starts} union ${STEPS[way]})`;
