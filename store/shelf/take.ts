import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import { whyNotGiven, whyNotShelved, whyNotTaken, type ContainerOnTheWay } from "#core/guard";
import { isCan, shapeOf, type ContainerKey, type Mouth } from "#core/schedule";
import type { Move } from "#core/shelf";
import { getContainer, type ContainerNow } from "#store/rest";
import { changeSupply, listSupplies, stacksFor } from "#store/supply";
import { movement } from "../schema/index.ts";
import { addPlace, getPlace, listPlaces, placeName } from "./place.ts";
import { shelvedByIds, type Shelved } from "./shelved.ts";

export type TakenAs = Exclude<Move, "shelved" | "missing">;

/** Adds one movement of a container. Call inside a write. */
export function addMovement(
  larder: Larder,
  write: Write,
  containerId: string,
  kind: Move,
  more: { placeId?: string; note?: string | null } = {},
): void {
  larder.db
    .insert(movement)
    .values({
      id: uuid(),
      containerId,
      at: larder.now(),
      kind,
      placeId: more.placeId ?? null,
      note: more.note?.trim() || null,
      byId: write.byId,
    })
    .run();
}

/** A container as the guards of shelves are asked about it. */
export function onTheWay(c: ContainerNow, facts: Shelved | undefined): ContainerOnTheWay {
  const { code, seal, disposition, moved } = c;
  return {
    code,
    seal,
    disposition,
    moved,
    processed: Boolean(facts?.cannedAt),
    holds: facts?.holds ?? [],
    aside: facts?.aside ?? null,
  };
}

/** Adds a shelf and puts containers on it. Returns how many. Throws Refused as `shelve` and `addPlace` do. */
export function shelveOnNew(
  larder: Larder,
  write: Write,
  containerIds: string[],
  place: { room: string; name: string },
): { count: number } {
  return once(larder, write, "container.shelve-new", () => {
    const { id } = addPlace(larder, write, place);
    const result = shelve(larder, write, containerIds, id);
    return { result, note: { kind: "shelf", id, detail: { ...place, ...result } } };
  });
}

/**
 * Puts containers on a shelf, or moves them there. Returns how many. Throws Refused for any that is not sealed, not
 * processed, on hold or set aside, and when the shelf has no room.
 */
export function shelve(
  larder: Larder,
  write: Write,
  containerIds: string[],
  placeId: string,
): { count: number } {
  return once(larder, write, "container.shelve", () => {
    if (!listPlaces(larder).some((p) => p.id === placeId))
      throw new Refused({ placeId: "Choose a shelf from the list." });
    const ids = [...new Set(containerIds)];
    if (ids.length === 0) throw new Refused({ containerIds: "Choose at least one container." });
    const known = new Map(shelvedByIds(larder, ids).map((c) => [c.id, c]));
    for (const id of ids) {
      const why = whyNotShelved(onTheWay(getContainer(larder, id), known.get(id)));
      if (why) throw new Refused({ containerIds: why }, 409);
    }
    const fresh = ids.filter(
      (id) => !(known.get(id)!.moved === "shelved" && known.get(id)!.placeId === placeId),
    );
    const place = getPlace(larder, placeId);
    if (place.capacity !== null && place.standing + fresh.length > place.capacity) {
      const room = Math.max(0, place.capacity - place.standing);
      const other = listPlaces(larder).find(
        (p) => p.id !== placeId && p.capacity !== null && p.capacity - p.standing >= fresh.length,
      );
      throw new Refused(
        {
          placeId: `${placeName(place)} takes ${place.capacity}, and has room for ${room} more.${other ? ` ${placeName(other)} has room for all ${fresh.length}.` : " Choose another, or say below that it takes more."}`,
        },
        409,
      );
    }
    for (const id of fresh) addMovement(larder, write, id, "shelved", { placeId });
    return {
      result: { count: fresh.length },
      note: { kind: "shelf", id: placeId, detail: { containerIds: ids } },
    };
  });
}

/**
 * Takes containers off the shelf: eaten, given away or thrown out. Throws Refused for any that is not on a shelf; what
 * is on hold or set aside may only be thrown out.
 */
export function takeOff(
  larder: Larder,
  write: Write,
  containerIds: string | string[],
  kind: TakenAs,
  note: string | null = null,
): void {
  once(larder, write, "container.take", () => {
    const ids = [...new Set([containerIds].flat())];
    if (ids.length === 0) throw new Refused({ containerIds: "Choose at least one container." });
    for (const id of ids) takeOne(larder, write, id, kind, note);
    return { result: null, note: { kind: "container", id: ids[0]!, detail: { kind, note, ids } } };
  });
}

function takeOne(larder: Larder, write: Write, id: string, kind: TakenAs, note: string | null): void {
  const c = getContainer(larder, id);
  const why = whyNotTaken(onTheWay(c, shelvedByIds(larder, [id])[0]), kind);
  if (why) throw new Refused({ "": why }, 409);
  const nobody = kind === "given" ? whyNotGiven(note) : null;
  if (nobody) throw new Refused({ to: nobody });
  addMovement(larder, write, id, kind, { note });
  if (kind === "opened") jarBack(larder, write, id);
}

/** Returns whether a container was found spoiled when it was opened; it is never shelved again. */
export function wasBad(larder: Larder, containerId: string): boolean {
  const sql = "select 1 from opening where container_id = ? and signs <> '[]'";
  return larder.sqlite.prepare(sql).get(containerId) !== undefined;
}

/**
 * Undoes that a container left its shelf: it is still there, closed. Returns the shelf. Throws Refused when it did not
 * leave one, or was found spoiled.
 */
export function putBack(larder: Larder, write: Write, containerId: string): { placeId: string } {
  return once(larder, write, "container.put-back", () => {
    const c = getContainer(larder, containerId);
    if (!c.moved || c.moved === "shelved" || !c.placeId)
      throw new Refused({ "": `${c.code} has not been taken off a shelf.` }, 409);
    if (wasBad(larder, containerId))
      throw new Refused({ "": `${c.code} was opened and was bad: it does not go back.` }, 409);
    if (c.moved === "opened") jarBack(larder, write, containerId, -1);
    addMovement(larder, write, containerId, "shelved", { placeId: c.placeId, note: "entered by mistake" });
    return {
      result: { placeId: c.placeId },
      note: { kind: "container", id: containerId, detail: { was: c.moved } },
    };
  });
}

/** An opened jar is washed and counted again, where jars of its kind are counted. Cans are not used twice. */
function jarBack(larder: Larder, write: Write, containerId: string, by: 1 | -1 = 1): void {
  const known = larder.sqlite
    .prepare(
      "select k.container, k.mouth, k.code from container c join pack k on k.id = c.pack_id where c.id = ?",
    )
    .get(containerId) as { container: ContainerKey; mouth: Mouth | null; code: string };
  if (isCan(known.container)) return;
  const { mouth } = shapeOf(known.container, known.mouth);
  const stack = stacksFor(listSupplies(larder), known.container, mouth)[0];
  if (stack && stack.left + by >= 0) changeSupply(larder, write, stack.id, by, "opened", known.code);
}
