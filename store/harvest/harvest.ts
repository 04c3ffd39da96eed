import { desc, eq, sql } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { issueCode, once, refuse, Refused, type Larder, type Write } from "#store/db";
import { speciesByKey } from "#core/species";
import { harvest, hold, holdRelease, person } from "../schema/index.ts";

export type Hold = { id: string; condition: string; at: number; byName: string | null };
export type Harvest = typeof harvest.$inferSelect & {
  byName: string | null;
  /** weight already taken to the table, kg */
  cutKg: number;
  /** weight still to be cut, kg; null when it was never weighed */
  leftKg: number | null;
  holds: Hold[];
};

const HOLDS = sql<string>`(
  select json_group_array(json_object('id', h.id, 'condition', h.condition, 'at', h.at, 'byName', p.name))
  from hold h left join person p on p.id = h.by_id
  where h.harvest_id = ${harvest.id} and not exists (select 1 from hold_release r where r.hold_id = h.id))`;

const rows = (larder: Larder) =>
  larder.db
    .select({
      harvest,
      byName: person.name,
      cutKg: sql<number>`coalesce((select sum(mass_kg) from lot_flow where from_harvest = ${harvest.id}), 0)`,
      holds: HOLDS,
    })
    .from(harvest)
    .leftJoin(person, eq(person.id, harvest.byId));

function assemble(row: ReturnType<ReturnType<typeof rows>["all"]>[number]): Harvest {
  const leftKg = row.harvest.weightKg === null ? null : Math.max(0, row.harvest.weightKg - row.cutKg);
  return {
    ...row.harvest,
    byName: row.byName,
    cutKg: row.cutKg,
    leftKg,
    holds: JSON.parse(row.holds) as Hold[],
  };
}

export function listHarvests(larder: Larder, limit = 200): Harvest[] {
  return rows(larder)
    .orderBy(desc(harvest.takenOn), desc(harvest.createdAt))
    .limit(limit)
    .all()
    .map(assemble);
}

export function getHarvest(larder: Larder, id: string): Harvest {
  const row = rows(larder).where(eq(harvest.id, id)).get();
  return row ? assemble(row) : refuse("There is no such animal in the book. Choose one from the list.", 404);
}

export interface HarvestInput {
  species: string;
  takenOn: string;
  place: string | null;
  tag: string | null;
  count: number;
  weightKg: number | null;
  weightKind: "live" | "dressed" | "hanging" | "catch" | null;
  note: string | null;
  /** a condition to wait for, which puts it on hold at once */
  holdFor: string | null;
}

/** Writes an animal or a catch into the book. @param today local day of the household, YYYY-MM-DD */
export function recordHarvest(
  larder: Larder,
  write: Write,
  input: HarvestInput,
  today: string,
): { id: string; code: string } {
  return once(larder, write, "harvest.record", () => {
    if (!speciesByKey(input.species)) throw new Refused({ species: "Choose the animal from the list." });
    if (input.takenOn > today)
      throw new Refused({ takenOn: "That day has not come yet. When was it taken?" });
    if (input.weightKg !== null && !(input.weightKg > 0))
      throw new Refused({ weight: "A weight is more than zero." });
    const id = uuid();
    const code = issueCode(larder, "harvest", id);
    const { holdFor, ...rest } = input;
    larder.db
      .insert(harvest)
      .values({ id, code, byId: write.byId, createdAt: larder.now(), ...rest })
      .run();
    if (holdFor) placeHold(larder, write, { harvestId: id, lotId: null, condition: holdFor });
    return { result: { id, code }, note: { kind: "harvest", id, detail: input } };
  });
}

/** Puts an animal or a lot on hold. Call inside a write. */
function placeHold(
  larder: Larder,
  write: Write,
  on: { harvestId: string | null; lotId: string | null; condition: string },
) {
  larder.db
    .insert(hold)
    .values({ id: uuid(), ...on, at: larder.now(), byId: write.byId })
    .run();
}

/** Puts an animal on hold until a named condition is met. */
export function holdHarvest(larder: Larder, write: Write, harvestId: string, condition: string): void {
  once(larder, write, "hold.place", () => {
    getHarvest(larder, harvestId);
    if (!condition.trim())
      throw new Refused({ condition: "Say what it waits for, for example a test result." });
    placeHold(larder, write, { harvestId, lotId: null, condition: condition.trim() });
    return { result: null, note: { kind: "harvest", id: harvestId, detail: { condition } } };
  });
}

/** Lifts a hold: a named person, for a stated reason. */
export function releaseHold(larder: Larder, write: Write, holdId: string, reason: string): void {
  once(larder, write, "hold.release", () => {
    if (!write.byId) throw new Refused({ by: "Say who releases it." });
    if (!reason.trim())
      throw new Refused({ reason: "Say why it may be used now, for example “test came back negative”." });
    const known = larder.db.select().from(hold).where(eq(hold.id, holdId)).get();
    if (!known) refuse("There is no such hold.", 404);
    if (larder.db.select().from(holdRelease).where(eq(holdRelease.holdId, holdId)).get())
      refuse("This hold is already lifted.", 409);
    larder.db
      .insert(holdRelease)
      .values({ id: uuid(), holdId, at: larder.now(), byId: write.byId, reason: reason.trim() })
      .run();
    return { result: null, note: { kind: "hold", id: holdId, detail: { reason } } };
  });
}
