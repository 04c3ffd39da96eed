import { memoize, movementVersion, type Larder } from "#store/db";
import { bestBy } from "#core/shelf";
import { CONTAINER_KG } from "#store/pack";
import { CONTAINER_COLUMNS, type ContainerNow } from "#store/rest";

export interface Shelved extends ContainerNow {
  cannedAt: number;
  bestBy: number;
  species: string[];
  part: string;
  method: "raw" | "hot";
  /** the recipe of a mixed dish, by name; null for plain food */
  dish: string | null;
  /** minutes it was processed, at how much on the face (kPa), and codes of run and lots */
  minutes: number;
  floorKPa: number;
  runCode: string;
  lotCodes: string[];
  /** meat in it, kg */
  massKg: number;
  /** what it waits for before it may be shelved or eaten; empty when it is free */
  holds: string[];
  /** why it is set aside with others; null when it is not */
  aside: string | null;
  /** what was done otherwise than the tested process, signed for */
  deviations: string[];
}

/** Columns of a Shelved from `container_now n join container c join run r join pack k`. */
const COLUMNS = `${CONTAINER_COLUMNS}, r.completed_at as cannedAt, k.method, k.dish, json_extract(r.plan, '$.minutes') as minutes, json_extract(r.plan, '$.floorKPa') as floorKPa, r.code as runCode,
    (select json_group_array(distinct h.species) from pack_food x join lot_origin o on o.lot_id = x.lot_id
       join harvest h on h.id = o.harvest_id where x.pack_id = n.pack_id) as species,
    (select json_group_array(distinct h.condition) from pack_from x join held_lot d on d.lot_id = x.lot_id
       join hold h on h.id = d.hold_id where x.pack_id = n.pack_id) as holds,
    (select reason from recall where id = n.set_aside) as aside,
    (select json_group_array(d.what) from deviation d where d.pack_code = n.pack_code and d.kind <> 'habit'
       and (d.container_id is null or d.container_id = n.id)) as deviations,
    (select json_group_array(distinct l.code) from pack_from x join lot l on l.id = x.lot_id where x.pack_id = n.pack_id) as lotCodes,
    (select ${CONTAINER_KG} from container c where c.id = n.id) as massKg,
    (select group_concat(distinct l.part) from pack_food x join lot l on l.id = x.lot_id where x.pack_id = n.pack_id) as part`;

const FROM = "from container_now n join run r on r.id = n.run_id join pack k on k.id = n.pack_id";
const SHELVED = `select ${COLUMNS} ${FROM}`;

type Raw = Omit<Shelved, "species" | "holds" | "deviations" | "lotCodes" | "bestBy"> &
  Record<"species" | "holds" | "deviations" | "lotCodes", string>;

const fromRaw = (raw: Raw): Shelved => ({
  ...raw,
  species: JSON.parse(raw.species),
  holds: JSON.parse(raw.holds),
  deviations: JSON.parse(raw.deviations),
  lotCodes: JSON.parse(raw.lotCodes),
  part: raw.part ?? "",
  bestBy: bestBy(raw.cannedAt),
});

/** Returns containers with their facts by ids, in the order they are to be eaten. */
export function shelvedByIds(larder: Larder, ids: readonly string[]): Shelved[] {
  if (ids.length === 0) return [];
  return (
    larder.sqlite
      .prepare(`${SHELVED} where n.id in (select value from json_each(?)) order by r.completed_at, n.code`)
      .all(JSON.stringify(ids)) as Raw[]
  ).map(fromRaw);
}

/** Returns a container with its facts; undefined when it has not been through a run. */
export function getShelved(larder: Larder, id: string): Shelved | undefined {
  return shelvedByIds(larder, [id])[0];
}

/**
 * Returns what is on a shelf, or on all of them, oldest first.
 *
 * @param placeId null for all
 * @param limit how many at most
 * @param skip how many older ones to leave out
 */
export function onShelf(larder: Larder, placeId: string | null, limit = 100_000, skip = 0): Shelved[] {
  const which = placeId === null ? "" : "and place_id = @placeId";
  const ids = larder.sqlite
    .prepare(
      `select id from container where moved = 'shelved' ${which} order by canned_at, code limit @limit offset @skip`,
    )
    .all({ placeId, limit, skip }) as { id: string }[];
  return shelvedByIds(
    larder,
    ids.map((r) => r.id),
  );
}

/**
 * Returns what was shelved since an instant and is still on a shelf, oldest first.
 *
 * @param since ms since 1970 UTC
 * @param limit how many at most
 */
export function shelvedSince(larder: Larder, since: number, limit: number): Shelved[] {
  const ids = larder.sqlite
    .prepare(
      "select id from container where moved = 'shelved' and moved_at > ? order by canned_at, code limit ?",
    )
    .pluck()
    .all(since, limit) as string[];
  return shelvedByIds(larder, ids);
}

/**
 * Returns the packs that stand on a shelf, newest first: one container of each, and how many there are.
 *
 * @param limit how many packs at most
 */
export function packsOnShelf(larder: Larder, limit: number): { one: Shelved; count: number }[] {
  const rows = larder.sqlite
    .prepare(
      `select min(c.id) as id, count(*) as count from pack k join container c on c.pack_id = k.id and c.moved = 'shelved'
       group by k.id order by k.made_at desc, k.id limit ?`,
    )
    .all(limit) as { id: string; count: number }[];
  const each = new Map(
    shelvedByIds(
      larder,
      rows.map((r) => r.id),
    ).map((c) => [c.id, c]),
  );
  return rows.flatMap(({ id, count }) => (each.has(id) ? [{ one: each.get(id)!, count }] : []));
}

/** Returns the containers that are sealed and not yet shelved, oldest first. */
export function toShelve(larder: Larder): Shelved[] {
  return (
    larder.sqlite
      .prepare(
        `${SHELVED} where n.id in (select id from container where seal = 'sealed' and moved is null and disposition is null)
           and r.completed_at is not null order by r.completed_at, n.code`,
      )
      .all() as Raw[]
  ).map(fromRaw);
}

export interface ShelfGlance {
  count: number;
  /** past best-by: how many, and the oldest */
  past: number;
  /** the oldest that may be eaten; null when there is none */
  oldest: Shelved | null;
  /** the three oldest, whether or not they may be eaten */
  first: Shelved[];
  /** set aside or held, on the shelves */
  kept: number;
}

/** Ids of containers on shelves that may not be eaten: held, by what they are made of, or set aside. */
const NOT_EATEN = `select c.id from container c where c.set_aside is not null and c.moved = 'shelved'
  union select c.id from held_lot d cross join pack_from x on x.lot_id = d.lot_id cross join container c on c.pack_id = x.pack_id where c.moved = 'shelved'`;

/**
 * Returns an overview of the shelves, at a cost that does not depend on how many containers there are.
 *
 * @param now ms since 1970 UTC
 */
export function shelfGlance(larder: Larder, now: number): ShelfGlance {
  const { count } = larder.sqlite
    .prepare("select coalesce(sum(standing), 0) as count from shelf_place")
    .get() as { count: number };
  const kept = (larder.sqlite.prepare(NOT_EATEN).all() as { id: string }[]).map((r) => r.id);
  const first = larder.sqlite
    .prepare(
      `select id from container indexed by container_oldest where moved = 'shelved' and id not in (select value from json_each(?)) order by canned_at, code limit 1`,
    )
    .get(JSON.stringify(kept)) as { id: string } | undefined;
  return {
    count,
    past: pastBestBy(larder, now),
    first: onShelf(larder, null, 3),
    oldest: first ? (getShelved(larder, first.id) ?? null) : null,
    kept: kept.length,
  };
}

const TEN_MINUTES = 600_000;

/**
 * Returns how many containers on the shelves are past best-by, at most ten minutes old.
 *
 * @param now ms since 1970 UTC
 */
export function pastBestBy(larder: Larder, now: number): number {
  const before = new Date(Math.floor(now / TEN_MINUTES) * TEN_MINUTES);
  before.setUTCFullYear(before.getUTCFullYear() - 1);
  const stamp = `${movementVersion(larder)} ${before.getTime()}`;
  return memoize(
    larder,
    "past",
    stamp,
    () =>
      larder.sqlite
        .prepare("select count(*) from container where moved = 'shelved' and canned_at < ?")
        .pluck()
        .get(before.getTime()) as number,
  );
}
