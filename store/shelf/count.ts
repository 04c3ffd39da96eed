import { once, Refused, type Larder, type Write } from "#store/db";
import { findCode } from "#store/trace";
import { getContainer } from "#store/rest";
import { getPlace, listPlaces, placeName } from "./place.ts";
import { shelvedByIds } from "./shelved.ts";
import { addMovement, wasBad } from "./take.ts";

/** One code that was read off a shelf, and what the larder makes of it. */
export interface CountLine {
  typed: string;
  code: string | null;
  id: string | null;
  /** `here`: as written down; `elsewhere`: written down on another shelf; `back`: was taken or missing; `not`: cannot stand here */
  what: "here" | "elsewhere" | "back" | "not";
  says: string;
}

export interface ShelfCount {
  lines: CountLine[];
  /** written down here and not seen, by id and code */
  missing: { id: string; code: string }[];
  /** nothing to put right */
  agrees: boolean;
}

/**
 * Returns how what was read off a shelf differs from what is recorded for it. Nothing is changed.
 *
 * @param typed codes as read
 */
export function countShelf(larder: Larder, placeId: string, typed: readonly string[]): ShelfCount {
  const place = getPlace(larder, placeId);
  const here = larder.sqlite
    .prepare(
      "select id, code from container where moved = 'shelved' and place_id = ? order by canned_at, code",
    )
    .all(placeId) as { id: string; code: string }[];
  const places = new Map(listPlaces(larder).map((p) => [p.id, placeName(p)]));
  const seen = new Set<string>();
  const lines = typed.map((text): CountLine => {
    const line = (
      what: CountLine["what"],
      says: string,
      id: string | null = null,
      code: string | null = null,
    ) => ({
      typed: text,
      what,
      says,
      id,
      code,
    });
    const found = findCode(larder, text);
    if (!found.found) return line("not", found.message);
    if (found.kind !== "container") return line("not", `${found.code} is a ${found.kind}, not a jar or can.`);
    if (seen.has(found.id))
      return line("here", `${found.code} was read twice; it counts once.`, null, found.code);
    seen.add(found.id);
    const c = getContainer(larder, found.id);
    if (c.moved === "shelved" && c.placeId === placeId) return line("here", "as written down", c.id, c.code);
    if (c.moved === "shelved")
      return line("elsewhere", `written down on ${places.get(c.placeId!) ?? "another shelf"}`, c.id, c.code);
    if (c.moved === "missing") return line("back", "was missing, and is found", c.id, c.code);
    if (c.moved === "opened" || c.moved === "given")
      return line(
        "back",
        `was written down as ${c.moved === "opened" ? "opened" : "given away"}`,
        c.id,
        c.code,
      );
    return line(
      "not",
      c.moved === "discarded"
        ? "was thrown out: what stands there?"
        : c.seal === "sealed"
          ? `sealed, and never shelved: shelve it on ${place.name}`
          : "has no sound seal: it does not belong on a shelf",
      null,
      c.code,
    );
  });
  const missing = here.filter((c) => !seen.has(c.id));
  return { lines, missing, agrees: missing.length === 0 && lines.every((l) => l.what === "here") };
}

/**
 * Corrects the record after a shelf was counted: what was seen is put there, the rest is recorded as missing or eaten.
 * Returns how many of each. Throws Refused when a container that was found spoiled is among what was seen; what else
 * may not be shelved is left as it was.
 */
export function reconcile(
  larder: Larder,
  write: Write,
  input: { placeId: string; codes: readonly string[]; missing: "missing" | "opened" },
): { moved: number; missing: number } {
  return once(larder, write, "shelf.count", () => {
    const place = getPlace(larder, input.placeId);
    const count = countShelf(larder, input.placeId, input.codes);
    const bring = count.lines.filter((l) => l.id && (l.what === "elsewhere" || l.what === "back"));
    const known = new Map(
      shelvedByIds(
        larder,
        bring.map((l) => l.id!),
      ).map((c) => [c.id, c]),
    );
    for (const l of bring) {
      const c = known.get(l.id!);
      if (!c || wasBad(larder, l.id!))
        throw new Refused({ codes: `${l.code} was opened and was bad: it cannot stand here.` }, 409);
      addMovement(larder, write, l.id!, "shelved", {
        placeId: place.id,
        note: "found when the shelf was counted",
      });
    }
    for (const m of count.missing)
      addMovement(larder, write, m.id, input.missing, { note: "not there when the shelf was counted" });
    return {
      result: { moved: bring.length, missing: count.missing.length },
      note: {
        kind: "shelf",
        id: place.id,
        detail: {
          counted: input.codes.length,
          moved: bring.length,
          missing: count.missing.map((m) => m.code),
        },
      },
    };
  });
}
