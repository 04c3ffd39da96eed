import { asc, eq, isNull } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { shelfPlace } from "../schema/index.ts";

export type ShelfPlace = typeof shelfPlace.$inferSelect;

/** Returns the name of a shelf with its room, such as `Cellar, top shelf`. */
export const placeName = (p: Pick<ShelfPlace, "room" | "name">) => `${p.room}, ${p.name}`;

/** Returns the shelves and boxes in use, room by room in the household's order. */
export function listPlaces(larder: Larder): ShelfPlace[] {
  return larder.db
    .select()
    .from(shelfPlace)
    .where(isNull(shelfPlace.retiredAt))
    .orderBy(asc(shelfPlace.room), asc(shelfPlace.position))
    .all();
}

/** Returns a shelf or box, retired or not. Throws Refused (404) when there is none of this id. */
export function getPlace(larder: Larder, id: string): ShelfPlace {
  return (
    larder.db.select().from(shelfPlace).where(eq(shelfPlace.id, id)).get() ??
    refuse("There is no such shelf.", 404)
  );
}

export interface PlaceInput {
  room: string;
  name: string;
  kind: ShelfPlace["kind"];
  /** how many containers it takes; null when nobody has said */
  capacity: number | null;
}

function notTwice(larder: Larder, { room, name }: PlaceInput, id?: string): void {
  if (listPlaces(larder).some((p) => p.id !== id && p.room === room && p.name === name))
    throw new Refused({ name: `${room} already has a place called ${name}.` });
}

/** Adds a shelf. Returns its id. Throws Refused when the room has one of that name. */
export function addPlace(
  larder: Larder,
  write: Write,
  input: Pick<PlaceInput, "room" | "name"> & Partial<PlaceInput>,
): { id: string } {
  return once(larder, write, "shelf.add", () => {
    const place: PlaceInput = { kind: "shelf", capacity: null, ...input };
    notTwice(larder, place);
    const id = uuid();
    const { last } = larder.sqlite.prepare("select max(position) as last from shelf_place").get() as {
      last: number | null;
    };
    larder.db
      .insert(shelfPlace)
      .values({ id, ...place, position: (last ?? 0) + 1, createdAt: larder.now() })
      .run();
    return { result: { id }, note: { kind: "shelf", id, detail: place } };
  });
}

/**
 * Renames a shelf, stores how many containers it takes, or moves it up in its room. Throws Refused when the room has
 * one of that name.
 */
export function changePlace(
  larder: Larder,
  write: Write,
  id: string,
  input: PlaceInput & { up?: boolean },
): void {
  once(larder, write, "shelf.change", () => {
    const known = getPlace(larder, id);
    const { up, ...place } = input;
    notTwice(larder, place, id);
    if (place.capacity !== null && place.capacity < known.standing)
      throw new Refused({
        capacity: `${known.standing} stand on it already, so it takes at least as many.`,
      });
    larder.db.update(shelfPlace).set(place).where(eq(shelfPlace.id, id)).run();
    if (up) {
      const above = listPlaces(larder)
        .filter((p) => p.room === place.room && p.position < known.position)
        .at(-1);
      if (above) {
        const set = larder.sqlite.prepare("update shelf_place set position = ? where id = ?");
        set.run(above.position, id);
        set.run(known.position, above.id);
      }
    }
    return { result: null, note: { kind: "shelf", id, detail: { from: known, to: input } } };
  });
}

/** Retires an empty shelf; its containers' history keeps its name. Throws Refused when something is on it. */
export function retirePlace(larder: Larder, write: Write, id: string): void {
  once(larder, write, "shelf.retire", () => {
    const known = getPlace(larder, id);
    if (known.standing > 0)
      throw new Refused(
        { "": `${known.standing} still stand on ${known.name}. Move them first, then take it down.` },
        409,
      );
    larder.db.update(shelfPlace).set({ retiredAt: larder.now() }).where(eq(shelfPlace.id, id)).run();
    return { result: null, note: { kind: "shelf", id, detail: { retired: known.name } } };
  });
}
