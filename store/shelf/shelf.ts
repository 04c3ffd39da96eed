import { asc } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import { isCan, shapeOf, type ContainerKey, type Mouth } from "#core/schedule";
import { bestBy } from "#core/shelf";
import { CONTAINER_COLUMNS, getContainer, type ContainerNow } from "#store/rest";
import { change, listSupplies, stacksFor } from "#store/supply";
import { movement, shelfPlace } from "../schema/index.ts";

export type ShelfPlace = typeof shelfPlace.$inferSelect;

export interface Shelved extends ContainerNow {
  cannedAt: number;
  bestBy: number;
  species: string[];
  part: string;
  /** what it waits for before it may be shelved or eaten; empty when it is free */
  holds: string[];
  /** what was done otherwise than the tested process, signed for */
  deviations: string[];
}

export function listPlaces(larder: Larder): ShelfPlace[] {
  return larder.db.select().from(shelfPlace).orderBy(asc(shelfPlace.room), asc(shelfPlace.position)).all();
}

export function addPlace(larder: Larder, write: Write, room: string, name: string): { id: string } {
  return once(larder, write, "shelf.add", () => {
    if (listPlaces(larder).some((p) => p.room === room && p.name === name)) {
      throw new Refused({ name: `${room} already has a place called ${name}.` });
    }
    const id = uuid();
    larder.db
      .insert(shelfPlace)
      .values({ id, room, name, position: listPlaces(larder).length + 1, createdAt: larder.now() })
      .run();
    return { result: { id }, note: { kind: "shelf", id, detail: { room, name } } };
  });
}

const SHELVED = `
  select ${CONTAINER_COLUMNS}, r.completed_at as cannedAt,
    (select json_group_array(distinct h.species) from pack_lot x join lot_origin o on o.lot_id = x.lot_id
       join harvest h on h.id = o.harvest_id where x.pack_id = n.pack_id) as species,
    (select json_group_array(distinct h.condition) from pack_lot x join held_lot d on d.lot_id = x.lot_id
       join hold h on h.id = d.hold_id where x.pack_id = n.pack_id) as holds,
    (select json_group_array(d.what) from deviation d where d.pack_code = n.pack_code and d.kind <> 'habit'
       and (d.container_id is null or d.container_id = n.id)) as deviations,
    (select group_concat(distinct l.part) from pack_lot x join lot l on l.id = x.lot_id where x.pack_id = n.pack_id) as part
  from container_now n join run r on r.id = n.run_id`;

type Raw = Omit<Shelved, "species" | "holds" | "deviations" | "bestBy"> & {
  species: string;
  holds: string;
  deviations: string;
};
const fromRaw = (raw: Raw): Shelved => ({
  ...raw,
  species: JSON.parse(raw.species),
  holds: JSON.parse(raw.holds),
  deviations: JSON.parse(raw.deviations),
  bestBy: bestBy(raw.cannedAt),
});

/** Everything on the shelves, to be eaten in this order: oldest first. */
export function onTheShelf(larder: Larder): Shelved[] {
  return (
    larder.sqlite
      .prepare(`${SHELVED} where n.moved = 'shelved' order by r.completed_at, n.code`)
      .all() as Raw[]
  ).map(fromRaw);
}

/** Sealed and not yet shelved, oldest first. */
export function toShelve(larder: Larder): Shelved[] {
  return (
    larder.sqlite
      .prepare(
        `${SHELVED} where n.seal = 'sealed' and n.moved is null and n.disposition is null and r.completed_at is not null order by r.completed_at, n.code`,
      )
      .all() as Raw[]
  ).map(fromRaw);
}

/** Puts containers on a shelf. Refused for any that is not sealed, not processed, or made from something on hold. */
export function shelve(
  larder: Larder,
  write: Write,
  containerIds: string[],
  placeId: string,
): { count: number } {
  return once(larder, write, "container.shelve", () => {
    if (!listPlaces(larder).some((p) => p.id === placeId))
      throw new Refused({ placeId: "Choose a shelf from the list." });
    if (containerIds.length === 0) throw new Refused({ containerIds: "Choose at least one container." });
    const ready = new Map([...toShelve(larder), ...onTheShelf(larder)].map((c) => [c.id, c]));
    for (const id of containerIds) {
      const c = getContainer(larder, id);
      const sound = ready.get(id);
      if (!sound)
        throw new Refused(
          { containerIds: `${c.code} has no sound, checked seal, so it is not shelved.` },
          409,
        );
      if (sound.holds.length)
        throw new Refused({ containerIds: `${c.code} is on hold (${sound.holds.join("; ")}).` }, 409);
      larder.db
        .insert(movement)
        .values({ id: uuid(), containerId: id, at: larder.now(), kind: "shelved", placeId, byId: write.byId })
        .run();
    }
    return {
      result: { count: containerIds.length },
      note: { kind: "shelf", id: placeId, detail: { containerIds } },
    };
  });
}

/** Takes a container off the shelf for good. */
export function takeOff(
  larder: Larder,
  write: Write,
  containerId: string,
  kind: "opened" | "given" | "discarded",
): void {
  once(larder, write, "container.take", () => {
    const c = getContainer(larder, containerId);
    if (c.moved !== "shelved") throw new Refused({ "": `${c.code} is not on a shelf.` }, 409);
    const holds = onTheShelf(larder).find((s) => s.id === containerId)?.holds ?? [];
    if (holds.length && kind !== "discarded")
      throw new Refused(
        {
          "": `${c.code} is on hold (${holds.join("; ")}). It is not eaten or given away until the hold is lifted.`,
        },
        409,
      );
    larder.db
      .insert(movement)
      .values({ id: uuid(), containerId, at: larder.now(), kind, placeId: null, byId: write.byId })
      .run();
    if (kind === "opened") jarBack(larder, write, containerId);
    return { result: null, note: { kind: "container", id: containerId, detail: { kind } } };
  });
}

/** An opened jar is washed and counted again, where jars of its kind are counted. Cans are not used twice. */
function jarBack(larder: Larder, write: Write, containerId: string): void {
  const known = larder.sqlite
    .prepare(
      "select k.container, k.mouth, k.code from container c join pack k on k.id = c.pack_id where c.id = ?",
    )
    .get(containerId) as { container: ContainerKey; mouth: Mouth | null; code: string };
  if (isCan(known.container)) return;
  const { mouth } = shapeOf(known.container, known.mouth);
  const stack = stacksFor(listSupplies(larder), known.container, mouth)[0];
  if (stack) change(larder, write, stack.id, 1, "opened", known.code);
}

/** One thing that happened to a container after its run. */
export interface Happening {
  at: number;
  kind: "seal" | "disposition" | "movement";
  what: string;
  byName: string | null;
}

/** Seal checks, decisions and movements of a container, in the order they happened. */
export function happeningsOf(larder: Larder, containerId: string): Happening[] {
  return larder.sqlite
    .prepare(
      `select s.at, 'seal' as kind, s.finding as what, p.name as byName from seal_check s left join person p on p.id = s.by_id where s.container_id = @id
       union all select d.at, 'disposition', d.what, p.name from disposition d left join person p on p.id = d.by_id where d.container_id = @id
       union all select m.at, 'movement', m.kind, p.name from movement m left join person p on p.id = m.by_id where m.container_id = @id
       order by 1`,
    )
    .all({ id: containerId }) as Happening[];
}
