import { refuse, Refused, type Larder } from "#store/db";
import { listPlaces, placeName, putBack, shelve, takeOff, type TakenAs } from "#store/shelf";
import { iso, textOf, type List } from "./list.ts";

/** Where a container is, in the words of the list. */
const IS: Record<string, string> = {
  shelved: "on the shelf",
  opened: "eaten",
  given: "given away",
  discarded: "thrown out",
  missing: "missing",
};
/** Whom a list names; one that was kept elsewhere may not know any more. */
const whomIn = (row: Parameters<typeof textOf>[0], kind: TakenAs): string | null =>
  textOf(row, "to whom or why") || (kind === "given" ? "not recorded" : null);

const TAKEN: Record<string, TakenAs> = { eaten: "opened", "given away": "given", "thrown out": "discarded" };

/** Every jar and can. A row that comes in puts one on a shelf, or takes it off. */
export const jars: List = {
  key: "jars",
  title: "Jars and cans",
  columns: [
    { head: "code", kind: "text", max: 8 },
    { head: "is", kind: "text", max: 20 },
    { head: "shelf", kind: "text", max: 90 },
    { head: "to whom or why", kind: "text", max: 120 },
    { head: "product", kind: "text" },
    { head: "container", kind: "text" },
    { head: "pack", kind: "text" },
    { head: "run", kind: "text" },
    { head: "meat kg", kind: "number" },
    { head: "canned", kind: "instant" },
    { head: "seal", kind: "text" },
    { head: "moved", kind: "instant" },
  ],
  hint: "Only code, is, shelf and to whom or why are read. Is: on the shelf, eaten, given away or thrown out.",
  rows: (larder) =>
    (
      larder.sqlite
        .prepare(
          `select c.code, c.moved, s.room, s.name, (select m.note from movement m where m.container_id = c.id order by m.seq desc limit 1) as note,
             k.product, k.container, k.code as pack, r.code as run, c.mass_kg as kg, coalesce(c.canned_at, r.completed_at) as canned, c.seal, c.moved_at as movedAt
           from container c join pack k on k.id = c.pack_id left join run r on r.id = k.run_id left join shelf_place s on s.id = c.place_id
           where c.emptied_at is null order by c.code`,
        )
        .all() as Record<string, string & number>[]
    ).map((c) => [
      c.code!,
      c.moved ? IS[c.moved]! : null,
      c.moved === "shelved" ? `${c.room}, ${c.name}` : null,
      c.note ?? null,
      c.product!,
      c.container!,
      c.pack!,
      c.run ?? null,
      c.kg ?? null,
      iso(c.canned ?? null),
      c.seal ?? null,
      iso(c.movedAt ?? null),
    ]),
  take(larder, write, row) {
    const jar = byCode(larder, textOf(row, "code").toUpperCase());
    const is = textOf(row, "is").toLowerCase();
    const shelf = textOf(row, "shelf");
    if (is && is !== "on the shelf" && !TAKEN[is] && is !== "missing")
      throw new Refused({ is: `“${is}” is none of ${Object.values(IS).join(", ")}.` });
    const before = jar.moved ? IS[jar.moved]! : "";
    if (is && is !== "on the shelf") {
      if (is === before) return { what: "same", sentence: `${jar.code} is ${is} already.` };
      if (is === "missing")
        throw new Refused({ is: "A jar is found missing by counting its shelf, not by a list." });
      takeOff(larder, write, jar.id, TAKEN[is]!, whomIn(row, TAKEN[is]!));
      return { what: "changed", sentence: `${jar.code} is ${is}.` };
    }
    if (!shelf && (!is || is === before)) return { what: "same", sentence: `${jar.code} stays where it is.` };
    const place = listPlaces(larder).find((p) => placeName(p).toLowerCase() === shelf.toLowerCase());
    if (shelf && !place)
      throw new Refused({ shelf: `There is no shelf “${shelf}”. Write it like Cellar, Top.` });
    if (jar.moved === "shelved" && (!place || place.id === jar.placeId))
      return { what: "same", sentence: `${jar.code} stays where it is.` };
    if (jar.moved && jar.moved !== "shelved") putBack(larder, write, jar.id);
    if (place) shelve(larder, write, [jar.id], place.id);
    return {
      what: jar.moved ? "changed" : "new",
      sentence: `${jar.code} stands on ${place ? placeName(place) : "its shelf again"}.`,
    };
  },
};

function byCode(
  larder: Larder,
  code: string,
): { id: string; code: string; moved: string | null; placeId: string | null } {
  const found = larder.sqlite
    .prepare(
      "select id, code, moved, place_id as placeId from container where code = ? and emptied_at is null",
    )
    .get(code) as { id: string; code: string; moved: string | null; placeId: string | null } | undefined;
  return found ?? refuse(code ? `No jar or can carries the code ${code}.` : "The code is missing.", 404);
}
