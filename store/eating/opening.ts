import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import { OPENING_SIGNS, SIGNS, type OpeningSign } from "#core/shelf";
import { getContainer } from "#store/rest";
import { getShelved, takeOff } from "#store/shelf";
import { opening } from "../schema/index.ts";

export interface OpeningInput {
  containerId: string;
  /** what was wrong; empty when it was sound */
  signs: readonly OpeningSign[];
  note: string | null;
}

/**
 * Records how a container was found when it was opened. A sound one counts as eaten, a spoiled one as thrown out.
 * Returns whether it was sound. Throws Refused when it is not on a shelf, or is on hold or set aside and would be
 * eaten.
 */
export function recordOpening(larder: Larder, write: Write, input: OpeningInput): { sound: boolean } {
  return once(larder, write, "container.open", () => {
    const c = getContainer(larder, input.containerId);
    const signs = OPENING_SIGNS.filter((s) => input.signs.includes(s));
    const sound = signs.length === 0;
    if (c.moved === "discarded" || c.moved === "given")
      throw new Refused({ "": `${c.code} has left the house already.` }, 409);
    if (c.moved === "opened") {
      // Found bad when it was on the plate already: that is worth writing down more than anything.
      if (sound) throw new Refused({ "": `${c.code} was opened already.` }, 409);
    } else if (c.moved === "shelved" || c.moved === "missing") {
      if (sound && c.moved === "missing")
        throw new Refused(
          { "": `${c.code} is missing from its shelf. Put it back first, from its page.` },
          409,
        );
      takeWhole(larder, write, c.id, sound, signs);
    } else if (sound) throw new Refused({ "": `${c.code} is not on a shelf.` }, 409);
    larder.db
      .insert(opening)
      .values({
        id: uuid(),
        containerId: c.id,
        at: larder.now(),
        signs,
        note: input.note?.trim() || null,
        byId: write.byId,
      })
      .run();
    return { result: { sound }, note: { kind: "container", id: c.id, detail: { signs, note: input.note } } };
  });
}

function takeWhole(
  larder: Larder,
  write: Write,
  id: string,
  sound: boolean,
  signs: readonly OpeningSign[],
): void {
  if (getShelved(larder, id)?.moved !== "shelved") return;
  const words = signs.map((s) => SIGNS.find((f) => f.key === s)!.bad.toLowerCase()).join(", ");
  takeOff(larder, write, id, sound ? "opened" : "discarded", words || null);
}

/** Returns how a container was found when it was opened, ms since 1970 UTC; null when that was not recorded. */
export function lastOpening(
  larder: Larder,
  containerId: string,
): { at: number; signs: OpeningSign[]; note: string | null } | null {
  const row = larder.sqlite
    .prepare("select at, signs, note from opening where container_id = ? order by seq desc limit 1")
    .get(containerId) as { at: number; signs: string; note: string | null } | undefined;
  return row ? { ...row, signs: JSON.parse(row.signs) } : null;
}
