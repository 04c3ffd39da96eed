import { memoize, movementVersion, type Larder } from "#store/db";
import type { ProductKey } from "#core/schedule";
import { groupOf } from "#core/species";
import type { ContainerNow } from "#store/rest";

export interface KindStock {
  product: ProductKey;
  kind: ContainerNow["kind"];
  mouth: ContainerNow["mouth"];
  species: string[];
  group: ReturnType<typeof groupOf>;
  /** sound and free */
  sound: number;
  /** held or set aside */
  kept: number;
  massKg: number;
  /** the oldest sound one; null when none is */
  oldestId: string | null;
  oldestCannedAt: number | null;
}

/**
 * Returns the key of a kind of stock: product, container and animals.
 *
 * @param kind its species in order of name
 */
export function stockKey(kind: Pick<KindStock, "product" | "kind" | "mouth" | "species">): string {
  return `${kind.product} ${kind.kind} ${kind.mouth} ${kind.species.join(" ")}`;
}

/** Returns how much is on the shelves of each kind: product, animals and container. */
export function byKind(larder: Larder): KindStock[] {
  const held = larder.sqlite
    .prepare("select distinct x.pack_id from held_lot d join pack_from x on x.lot_id = d.lot_id order by 1")
    .pluck()
    .all() as string[];
  const recalled = larder.sqlite
    .prepare(
      "select ifnull((select max(rowid) from recall_item), 0) || ' ' || ifnull((select max(rowid) from recall_lift), 0)",
    )
    .pluck()
    .get();
  const stamp = `${movementVersion(larder)} ${recalled} ${held.join()}`;
  return memoize(larder, "kinds", stamp, () => countKinds(larder, new Set(held)));
}

function countKinds(larder: Larder, heldPacks: ReadonlySet<string>): KindStock[] {
  const packs = larder.sqlite
    .prepare(
      `select c.pack_id as packId, k.product, k.container as kind, k.mouth, count(*) as n, sum(c.set_aside is not null) as aside,
         min(case when c.set_aside is null then c.canned_at || ' ' || c.code || ' ' || c.id end) as oldest,
         (select json_group_array(distinct h.species) from pack_food x join lot_origin o on o.lot_id = x.lot_id
            join harvest h on h.id = o.harvest_id where x.pack_id = k.id) as species,
         (select sum(mass_kg) from pack_food x where x.pack_id = k.id)
           / (select count(*) from container o where o.pack_id = k.id and o.emptied_at is null) as each
       from container c join pack k on k.id = c.pack_id where c.moved = 'shelved' group by c.pack_id`,
    )
    .all() as {
    packId: string;
    product: ProductKey;
    kind: KindStock["kind"];
    mouth: KindStock["mouth"];
    n: number;
    aside: number;
    oldest: string | null;
    species: string;
    each: number;
  }[];
  const kinds = new Map<string, KindStock>();
  for (const p of packs) {
    const species = (JSON.parse(p.species) as string[]).sort();
    const key = stockKey({ ...p, species });
    const known = kinds.get(key) ?? {
      product: p.product,
      kind: p.kind,
      mouth: p.mouth,
      species,
      group: groupOf(species),
      sound: 0,
      kept: 0,
      massKg: 0,
      oldestId: null,
      oldestCannedAt: null,
    };
    const held = heldPacks.has(p.packId);
    known.sound += held ? 0 : p.n - p.aside;
    known.kept += held ? p.n : p.aside;
    known.massKg += p.each * p.n;
    const [at, , id] = held ? [] : (p.oldest?.split(" ") ?? []);
    if (id && (known.oldestCannedAt === null || Number(at) < known.oldestCannedAt)) {
      known.oldestId = id;
      known.oldestCannedAt = Number(at);
    }
    kinds.set(key, known);
  }
  return [...kinds.values()].sort((a, b) => (a.oldestCannedAt ?? Infinity) - (b.oldestCannedAt ?? Infinity));
}
