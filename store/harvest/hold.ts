import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { harvest, hold, holdRelease, lot } from "../schema/index.ts";

/** Why something is on hold: a test that is out, a doubt, or somebody else's meat. */
export const HOLD_KINDS = ["test", "doubt", "other"] as const;
export type HoldKind = (typeof HOLD_KINDS)[number];

/** Puts an animal or a lot on hold. Call inside a write. */
export function placeHold(
  larder: Larder,
  write: Write,
  on: { harvestId: string | null; lotId: string | null; condition: string; kind: HoldKind },
) {
  larder.db
    .insert(hold)
    .values({ id: uuid(), ...on, at: larder.now(), byId: write.byId })
    .run();
}

function conditionOf(text: string): string {
  const condition = text.trim();
  if (!condition) throw new Refused({ condition: "Say what it waits for, for example a test result." });
  return condition;
}

/**
 * Puts an animal, and everything made from it, on hold until a condition is met. Throws Refused when no condition is
 * named.
 */
export function holdHarvest(
  larder: Larder,
  write: Write,
  harvestId: string,
  condition: string,
  kind: HoldKind = "doubt",
): void {
  once(larder, write, "hold.place", () => {
    if (!larder.db.select({ id: harvest.id }).from(harvest).where(eq(harvest.id, harvestId)).get())
      refuse("That animal is not in the records. Choose one from the list.", 404);
    placeHold(larder, write, { harvestId, lotId: null, condition: conditionOf(condition), kind });
    return { result: null, note: { kind: "harvest", id: harvestId, detail: { condition, kind } } };
  });
}

/**
 * Puts one lot, and everything made from it, on hold until a condition is met. Throws Refused when no condition is
 * named.
 */
export function holdLot(
  larder: Larder,
  write: Write,
  lotId: string,
  condition: string,
  kind: HoldKind = "doubt",
): void {
  once(larder, write, "hold.place", () => {
    if (!larder.db.select({ id: lot.id }).from(lot).where(eq(lot.id, lotId)).get())
      refuse("There is no such lot. Choose one from the list.", 404);
    placeHold(larder, write, { harvestId: null, lotId, condition: conditionOf(condition), kind });
    return { result: null, note: { kind: "lot", id: lotId, detail: { condition, kind } } };
  });
}

/** Releases a hold. Throws Refused when nobody is named, no reason is given, or it was released already. */
export function releaseHold(larder: Larder, write: Write, holdId: string, reason: string): void {
  once(larder, write, "hold.release", () => {
    if (!write.byId) throw new Refused({ by: "Say who releases it." });
    if (!reason.trim())
      throw new Refused({ reason: "Say why it may be used now, for example “test came back negative”." });
    const known = larder.db.select().from(hold).where(eq(hold.id, holdId)).get();
    if (!known) refuse("There is no such hold.", 404);
    if (larder.db.select().from(holdRelease).where(eq(holdRelease.holdId, holdId)).get())
      refuse("This hold is already released.", 409);
    larder.db
      .insert(holdRelease)
      .values({ id: uuid(), holdId, at: larder.now(), byId: write.byId, reason: reason.trim() })
      .run();
    return { result: null, note: { kind: "hold", id: holdId, detail: { reason } } };
  });
}

export interface PastHold {
  condition: string;
  at: number;
  byName: string | null;
  releasedAt: number;
  releasedBy: string;
  reason: string;
}

/** Returns the holds of an animal or a lot that were released, newest first: by whom, when and why. */
export function pastHolds(larder: Larder, on: { harvestId: string } | { lotId: string }): PastHold[] {
  const [column, id] = "harvestId" in on ? ["harvest_id", on.harvestId] : ["lot_id", on.lotId];
  return larder.sqlite
    .prepare(
      `select h.condition, h.at, p.name as byName, r.at as releasedAt, q.name as releasedBy, r.reason
       from hold h join hold_release r on r.hold_id = h.id left join person p on p.id = h.by_id join person q on q.id = r.by_id
       where h.${column} = ? order by r.at desc`,
    )
    .all(id) as PastHold[];
}
