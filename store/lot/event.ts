import { desc, eq } from "drizzle-orm";
import { DateTime } from "luxon";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { whyNotGiven } from "#core/guard";
import { afterEvent, changeKg, whyNotLot, type Brine, type LotEvent } from "#core/lot";
import { groupOf } from "#core/species";
import { getHousehold } from "#store/household";
import { lot, lotEvent, person } from "../schema/index.ts";
import { genealogy } from "./genealogy.ts";
import { getLot, stateOf, type Lot } from "./lot.ts";

/** What a screen says happened; the weight before is the lot's own. */
export type LotDeed =
  | Exclude<LotEvent, { afterKg: number } | { kind: "undo" }>
  | {
      kind: Extract<LotEvent, { afterKg: number }>["kind"];
      at: number;
      afterKg: number;
      /** how strong and how long, when it was brined and somebody said */
      brine?: Brine;
    };

export interface LotHappening {
  id: string;
  at: number;
  event: LotEvent;
  byName: string | null;
}

/** Records what happened to a lot. Throws Refused at the field that is wrong. */
export function recordLotEvent(larder: Larder, write: Write, lotId: string, deed: LotDeed): void {
  once(larder, write, "lot.event", () => {
    const known = getLot(larder, lotId);
    const event = ("afterKg" in deed ? { ...deed, beforeKg: known.leftKg } : deed) as LotEvent;
    if (event.kind === "thaw-done") {
      const { zone } = getHousehold(larder)!;
      event.dayEndsAt = DateTime.fromMillis(event.at, { zone }).endOf("day").toMillis();
    }
    if (event.kind === "account" && !write.byId) throw new Refused({ reason: "Choose who says so." });
    append(larder, write, known, event);
    return { result: null, note: { kind: "lot", id: lotId, detail: event } };
  });
}

function append(larder: Larder, write: Write, known: Lot, event: LotEvent): void {
  const state = stateOf(known);
  const no = whyNotLot(state, event, known.leftKg, larder.now(), groupOf(known.species));
  if (no) throw new Refused({ [no.field]: no.message });
  if (known.holds.length > 0 && (event.kind === "eat" || event.kind === "give"))
    throw new Refused(
      {
        "": `${known.code} is on hold (${known.holds.join("; ")}). Do not eat it or give it away until the hold is released.`,
      },
      409,
    );
  const nobody = event.kind === "give" ? whyNotGiven(event.to) : null;
  if (nobody) throw new Refused({ to: nobody });
  // Scales disagree by a hair: no more can leave than is there.
  const change = Math.max(changeKg(event), -known.leftKg);
  larder.db
    .insert(lotEvent)
    .values({
      id: uuid(),
      lotId: known.id,
      at: event.at,
      kind: event.kind,
      event: { ...event, before: state },
      changeKg: change,
      byId: write.byId,
    })
    .run();
  const after = afterEvent(state, event);
  larder.db
    .update(lot)
    .set({
      form: after.form,
      kept: after.kept,
      place: after.place,
      frozenAt: after.frozenAt,
      thaw: after.thaw,
      treatments: after.treatments,
      freshUntil: after.freshUntil,
      freshLeftMs: after.freshLeftMs,
      warmFrom: after.warmFrom,
      lastAt: after.lastAt,
    })
    .where(eq(lot.id, known.id))
    .run();
}

/**
 * Undoes the last event of a lot; the record keeps both. Throws Refused when there is none, or its weight was used
 * since.
 */
export function undoLotEvent(larder: Larder, write: Write, lotId: string): void {
  once(larder, write, "lot.undo", () => {
    const last = larder.db
      .select()
      .from(lotEvent)
      .where(eq(lotEvent.lotId, lotId))
      .orderBy(desc(lotEvent.seq))
      .get();
    if (!last || last.kind === "undo") return refuse("There is nothing more to undo for this lot.", 409);
    const { before } = last.event;
    if (!before) return refuse("This was written down before undoing was known, and stays.", 409);
    append(larder, write, getLot(larder, lotId), {
      kind: "undo",
      at: larder.now(),
      undoes: last.id,
      giveBackKg: -last.changeKg,
      state: before,
    });
    return { result: null, note: { kind: "lot", id: lotId, detail: { undoes: last.id } } };
  });
}

/** Returns what happened to a lot since it was made, oldest first, weights in kg. */
export function happeningsOfLot(larder: Larder, lotId: string): LotHappening[] {
  return larder.db
    .select({ id: lotEvent.id, at: lotEvent.at, event: lotEvent.event, byName: person.name })
    .from(lotEvent)
    .leftJoin(person, eq(person.id, lotEvent.byId))
    .where(eq(lotEvent.lotId, lotId))
    .orderBy(lotEvent.seq)
    .all();
}

/**
 * Returns what somebody stated about where the meat of a lot was kept: of it, or of a lot it was made from. Undone
 * statements are left out.
 */
export function accountsOfLot(larder: Larder, lotId: string): { reason: string; byId: string }[] {
  return larder.sqlite
    .prepare(
      `with recursive ${genealogy("up", "select @lotId")}
       select e.event ->> 'reason' as reason, e.by_id as byId from lot_event e join up on up.id = e.lot_id
       where e.kind = 'account' and e.by_id is not null
         and not exists (select 1 from lot_event u where u.lot_id = e.lot_id and u.kind = 'undo' and u.event ->> 'undoes' = e.id)
       order by e.seq`,
    )
    .all({ lotId }) as { reason: string; byId: string }[];
}

/**
 * Stores whose a lot is.
 *
 * @param forWhom null for the household
 */
export function giveLotTo(larder: Larder, write: Write, lotId: string, forWhom: string | null): void {
  once(larder, write, "lot.owner", () => {
    getLot(larder, lotId);
    larder.db.update(lot).set({ forWhom }).where(eq(lot.id, lotId)).run();
    return { result: null, note: { kind: "lot", id: lotId, detail: { forWhom } } };
  });
}
