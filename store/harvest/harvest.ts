import { desc, eq, sql } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { issueCode, once, refuse, Refused, type Larder, type Write } from "#store/db";
import { formatMass, type UnitSystem } from "#core/quantity";
import { speciesByKey } from "#core/species";
import { harvest, person } from "../schema/index.ts";
import { placeHold, type HoldKind } from "./hold.ts";

export type Hold = { id: string; kind: HoldKind; condition: string; at: number; byName: string | null };
export type Harvest = typeof harvest.$inferSelect & {
  byName: string | null;
  /** weight already taken to the table, kg */
  cutKg: number;
  /** weight that went to nobody: hide, guts, what was shot through, kg */
  lostKg: number;
  /** weight still to be cut, kg; below 0 by what scales differ; null when it was never weighed */
  leftKg: number | null;
  holds: Hold[];
};

const HOLDS = sql<string>`(
  select json_group_array(json_object('id', h.id, 'kind', h.kind, 'condition', h.condition, 'at', h.at, 'byName', p.name))
  from hold h left join person p on p.id = h.by_id
  where h.harvest_id = ${harvest.id} and not exists (select 1 from hold_release r where r.hold_id = h.id))`;

const rows = (larder: Larder) =>
  larder.db
    .select({
      harvest,
      byName: person.name,
      cutKg: sql<number>`coalesce((select sum(mass_kg) from lot_flow where from_harvest = ${harvest.id}), 0)`,
      lostKg: sql<number>`coalesce((select sum(mass_kg) from harvest_loss where harvest_id = ${harvest.id}), 0)`,
      holds: HOLDS,
    })
    .from(harvest)
    .leftJoin(person, eq(person.id, harvest.byId));

function assemble(row: ReturnType<ReturnType<typeof rows>["all"]>[number]): Harvest {
  const { weightKg } = row.harvest;
  const leftKg = weightKg === null ? null : weightKg - row.cutKg - row.lostKg;
  return {
    ...row.harvest,
    byName: row.byName,
    cutKg: row.cutKg,
    lostKg: row.lostKg,
    leftKg,
    holds: JSON.parse(row.holds) as Hold[],
  };
}

/** Returns a sentence that says how little of an animal is left. */
export function leftSentence({ leftKg, code }: Harvest, units: UnitSystem): string {
  return leftKg !== null && leftKg > 0
    ? `Only ${formatMass(leftKg, units)} of ${code} is left`
    : `Nothing of ${code} is left`;
}

/**
 * Returns the animals and catches, newest first, weights in kg.
 *
 * @param limit how many at most
 * @param skip how many newer ones to leave out
 */
export function listHarvests(larder: Larder, limit = 200, skip = 0): Harvest[] {
  return rows(larder)
    .orderBy(desc(harvest.takenOn), desc(harvest.createdAt))
    .limit(limit)
    .offset(skip)
    .all()
    .map(assemble);
}

/**
 * Returns how many animals and catches nobody has begun to cut; one of which half or more was discarded is not
 * counted.
 */
export function uncutHarvests(larder: Larder): number {
  return larder.sqlite
    .prepare(
      `select count(*) from harvest h where not exists (select 1 from lot_flow where from_harvest = h.id)
         and (h.weight_kg is null or (select total(mass_kg) from harvest_loss where harvest_id = h.id) < 0.5 * h.weight_kg)`,
    )
    .pluck()
    .get() as number;
}

/** Returns an animal or catch. Throws Refused (404) when there is none of this id. */
export function getHarvest(larder: Larder, id: string): Harvest {
  const row = rows(larder).where(eq(harvest.id, id)).get();
  return row ? assemble(row) : refuse("That animal is not in the records. Choose one from the list.", 404);
}

/** Returns an animal or catch by its code. Throws Refused (404) when none carries it. */
export function harvestByCode(larder: Larder, code: string): Harvest {
  const row = rows(larder).where(eq(harvest.code, code)).get();
  return row ? assemble(row) : refuse("No animal carries this code.", 404);
}

export const WEIGHT_KINDS = ["live", "dressed", "hanging", "catch"] as const;
export type WeightKind = (typeof WEIGHT_KINDS)[number];

export interface HarvestInput {
  species: string;
  takenOn: string;
  place: string | null;
  tag: string | null;
  count: number;
  weightKg: number | null;
  weightKind: WeightKind | null;
  note: string | null;
  /** a condition to wait for, which puts it on hold at once */
  holdFor: string | null;
  takenBy?: string | null;
}

/**
 * Records an animal or a catch. Returns its id and code. Throws Refused at the field that is wrong.
 *
 * @param today the household's day, YYYY-MM-DD
 */
export function recordHarvest(
  larder: Larder,
  write: Write,
  input: HarvestInput,
  today: string,
): { id: string; code: string } {
  return once(larder, write, "harvest.record", () => {
    if (!speciesByKey(input.species)) throw new Refused({ species: "Choose the animal from the list." });
    if (input.takenOn > today)
      throw new Refused({ takenOn: "That day is in the future. When was it taken?" });
    if (input.weightKg !== null && !(input.weightKg > 0))
      throw new Refused({ weight: "Weight must be more than 0." });
    const id = uuid();
    const code = issueCode(larder, "harvest", id);
    const { holdFor, ...rest } = input;
    larder.db
      .insert(harvest)
      .values({ id, code, byId: write.byId, createdAt: larder.now(), ...rest })
      .run();
    if (holdFor) {
      const kind = /test|lab|result|sample/i.test(holdFor) ? "test" : "doubt";
      placeHold(larder, write, { harvestId: id, lotId: null, condition: holdFor, kind });
    }
    return { result: { id, code }, note: { kind: "harvest", id, detail: input } };
  });
}

/** Days on either side within which a tag belongs to the same season. Common practice: a tag is for one season. */
const SEASON_DAYS = 300;

/**
 * Returns another animal of the same season with this tag; null when there is none.
 *
 * @param takenOn the household's day, YYYY-MM-DD
 * @param exceptId the animal that is asked about; null for a new one
 */
export function sameTag(
  larder: Larder,
  tag: string,
  takenOn: string,
  exceptId: string | null = null,
): { code: string; takenOn: string } | null {
  const row = larder.sqlite
    .prepare(
      `select code, taken_on as takenOn from harvest where lower(trim(tag)) = lower(trim(?)) and id is not ?
       and abs(julianday(taken_on) - julianday(?)) <= ${SEASON_DAYS} order by taken_on desc limit 1`,
    )
    .get(tag, exceptId, takenOn) as { code: string; takenOn: string } | undefined;
  return row ?? null;
}
