import { v7 as uuid } from "uuid";
import { MINUTE_MS } from "#core/quantity";
import { once, Refused, type Larder, type Write } from "#store/db";
import { FREEZES_C, HEAT_C, storageEvents, type StorageEntry, type StorageEvent } from "#core/shelf";
import type { ContainerKey } from "#core/schedule";
import { shelfCheck, storageEntry } from "../schema/index.ts";
import { listPlaces } from "./place.ts";

export interface StorageRoom {
  room: string;
  entries: StorageEntry[];
  events: StorageEvent[];
  standing: number;
}

/** The newest readings of a room that are drawn. */
const SHOWN = 2000;

/** A thermometer no shelf ever sees, °C. */
const BELIEVABLE_C = { low: -45, high: 60 } as const;

/**
 * Records the temperature of a room, °C. Throws Refused when it or its instant is impossible.
 *
 * @param input its instant in ms since 1970 UTC; now when left out
 */
export function addStorageEntry(
  larder: Larder,
  write: Write,
  input: { room: string; tempC: number; at?: number | undefined },
): void {
  once(larder, write, "storage.add", () => {
    const { room, tempC } = input;
    const at = input.at ?? larder.now();
    if (!listPlaces(larder).some((p) => p.room === room))
      throw new Refused({ room: "Choose a room with a shelf in it." });
    if (!(tempC >= BELIEVABLE_C.low && tempC <= BELIEVABLE_C.high))
      throw new Refused({ temp: "No room with shelves is that cold or hot. Read the thermometer again." });
    if (at > larder.now() + MINUTE_MS) throw new Refused({ at: "That time is in the future." });
    const id = uuid();
    larder.db.insert(storageEntry).values({ id, room, at, tempC, byId: write.byId }).run();
    return { result: null, note: { kind: "room", id: room, detail: { tempC, at } } };
  });
}

/** Returns the rooms with shelves, each with its newest temperatures, °C, and its freezing and heat. */
export function storageRooms(larder: Larder): StorageRoom[] {
  const places = listPlaces(larder);
  return [...new Set(places.map((p) => p.room))].map((room) => {
    const entries = larder.sqlite
      .prepare(`select at, temp_c as tempC from storage_entry where room = ? order by at desc limit ${SHOWN}`)
      .all(room) as StorageEntry[];
    return {
      room,
      entries: entries.reverse(),
      events: eventsIn(larder, room),
      standing: places.filter((p) => p.room === room).reduce((n, p) => n + p.standing, 0),
    };
  });
}

/**
 * Every frost and heat a room ever had. Readings in between say nothing of either but that it was over: of those, the one
 * after each is enough.
 */
function eventsIn(larder: Larder, room: string): StorageEvent[] {
  const entries = larder.sqlite
    .prepare(
      `with extreme as (select at, temp_c from storage_entry where room = @room and (temp_c <= ${FREEZES_C} or temp_c >= ${HEAT_C}))
       select at, temp_c as tempC from extreme
       union
       select e.at, e.temp_c from extreme x join storage_entry e on e.room = @room
         and e.at = (select min(n.at) from storage_entry n where n.room = @room and n.at > x.at)`,
    )
    .all({ room }) as StorageEntry[];
  return storageEvents(entries);
}

/** A container that stood in a room while it froze or was hot, and still stands somewhere. */
export interface FlaggedContainer {
  id: string;
  code: string;
  kind: ContainerKey;
  room: string;
  event: StorageEvent;
}

/**
 * Records that a container was looked at after its room froze or was hot, and is sound. Throws Refused when it is not
 * on a shelf.
 */
export function checkOnShelf(larder: Larder, write: Write, containerId: string): void {
  once(larder, write, "shelf.check", () => {
    const flag = flaggedByStorage(larder).find((f) => f.id === containerId);
    if (!flag) throw new Refused({ "": "There is nothing to look at on this container." }, 409);
    larder.db
      .insert(shelfCheck)
      .values({ id: uuid(), containerId, at: larder.now(), byId: write.byId })
      .run();
    return { result: null, note: { kind: "container", id: containerId, detail: { after: flag.event.kind } } };
  });
}

/**
 * Returns the containers on the shelves whose room froze or was hot while they were in it, and that were not looked at
 * since.
 *
 * @param rooms all rooms, when the caller has them
 */
export function flaggedByStorage(larder: Larder, rooms = storageRooms(larder)): FlaggedContainer[] {
  const stood = larder.sqlite.prepare(
    `select distinct c.id, c.code, k.container as kind from movement m join shelf_place p on p.id = m.place_id
       join container c on c.id = m.container_id join pack k on k.id = c.pack_id
     where p.room = @room and c.moved = 'shelved' and m.at < @to
       and not exists (select 1 from shelf_check k where k.container_id = c.id and k.at >= @from)
       and coalesce((select x.at from movement x where x.container_id = m.container_id and x.seq > m.seq order by x.seq limit 1), 9e15) > @from
     order by c.canned_at, c.code`,
  );
  return rooms.flatMap(({ room, events }) =>
    events.flatMap((event) =>
      (
        stood.all({ room, from: event.from, to: event.until }) as {
          id: string;
          code: string;
          kind: ContainerKey;
        }[]
      ).map((c) => ({ ...c, room, event })),
    ),
  );
}
