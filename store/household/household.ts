import { asc, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { dataVersion, memoize, once, Refused, type Larder, type Write } from "#store/db";
import { calendarIn, isDayOfYear, type Calendar } from "#core/calendar";
import { whyNotHabit, type Reach } from "#core/guard";
import type { Writing } from "#core/quantity";
import { rowOf, outcomeFor, type HouseholdRows, type ProductKey } from "#core/schedule";
import { householdRows } from "#store/guide";
import { acceptance, household, person } from "../schema/index.ts";

/** The household, and the rows of the process tables it compared with its own guide. */
export type Household = typeof household.$inferSelect & { rows: HouseholdRows };
export type Person = typeof person.$inferSelect;

/** Returns the household; null before the first setup. */
export function getHousehold(larder: Larder): Household | null {
  return memoize(larder, "household", dataVersion(larder), () => {
    const home = larder.db.select().from(household).get();
    return home ? { ...home, rows: householdRows(larder) } : null;
  });
}

export interface HouseholdInput {
  name: string;
  altitudeM: number;
  units: "us" | "metric";
  zone: string;
  gauge: "dial" | "weighted";
  /** its sign of decimals; a point when nobody chose */
  decimal?: "point" | "comma";
  /** how it writes days, and hours of the clock; null or left out: by its units */
  dates?: "us" | "metric" | null;
  hours?: 12 | 24 | null;
}

/** Returns the household's calendar; that of UTC before there is a household. */
export function calendarOf(larder: Larder): Calendar {
  const home = getHousehold(larder);
  return calendarIn(home?.zone ?? "UTC", home?.seasonFrom ?? null);
}

/** Returns how a household writes amounts: its units and its decimal sign. */
export function writingOf(home: Pick<Household, "units" | "decimal">): Writing {
  return { units: home.units, decimal: home.decimal };
}

/** Returns the rows of common practice that were accepted, with who and when, ms since 1970 UTC; oldest first. */
export function acceptances(larder: Larder): { product: ProductKey; at: number; byName: string }[] {
  return larder.sqlite
    .prepare(
      "select a.product, a.at, p.name as byName from acceptance a join person p on p.id = a.by_id order by a.at, a.product",
    )
    .all() as ReturnType<typeof acceptances>;
}

/** Returns the products whose rows of common practice were accepted. */
export const acceptedRows = (larder: Larder): ProductKey[] => acceptances(larder).map((a) => a.product);

/**
 * Records that a person accepts a row without a published source for the household; a second time changes nothing.
 * Throws Refused when nobody is named, or the row needs no acceptance.
 */
export function acceptRow(larder: Larder, write: Write, product: ProductKey): void {
  once(larder, write, "practice.accept", () => {
    const { byId } = write;
    if (!byId) throw new Refused({ accept: "Choose who accepts it." });
    if (outcomeFor(rowOf(product).source) === "tested")
      throw new Refused({ accept: "This row has a published source. There is nothing to accept." });
    larder.db.insert(acceptance).values({ product, at: larder.now(), byId }).onConflictDoNothing().run();
    return { result: null, note: { kind: "household", id: "1", detail: { product } } };
  });
}

/**
 * Creates the household and its first person. Returns that person's id. Throws Refused when there is one already, or
 * at the field that is wrong.
 */
export function setUpHousehold(
  larder: Larder,
  write: Write,
  input: HouseholdInput & { personName: string },
): { personId: string } {
  return once(larder, write, "household.setUp", () => {
    if (getHousehold(larder)) throw new Refused({ "": "This larder is already set up." }, 409);
    checkZone(input.zone);
    const { personName, ...rest } = input;
    larder.db
      .insert(household)
      .values({ id: 1, createdAt: larder.now(), ...rest })
      .run();
    const personId = uuid();
    larder.db.insert(person).values({ id: personId, name: personName, createdAt: larder.now() }).run();
    return { result: { personId }, note: { kind: "household", id: "1", detail: input } };
  });
}

export interface HouseholdHabits {
  /** day a season begins on, `MM-DD`; null for the usual one of its half of the earth */
  seasonFrom: string | null;
  unwatchedLimitS: number;
  restHours: number;
  /** whole minutes it adds to every scheduled process, 0 to 60 */
  extraMinutes: number;
  marginKPa: number;
  /** people at the table, and the sign of the money they pay with */
  eaters: number;
  currency: string;
}

/** Habits by the field they are asked in. */
const HABIT_FIELDS = {
  unwatchedLimitS: "unwatched",
  restHours: "restHours",
  extraMinutes: "extraMinutes",
} as const;

/**
 * Changes the household's settings. Runs and packs that were made keep their own snapshot. Throws Refused at the field
 * that is wrong.
 */
export function changeHousehold(
  larder: Larder,
  write: Write,
  input: Partial<HouseholdInput & HouseholdHabits>,
): void {
  once(larder, write, "household.change", () => {
    if (input.zone) checkZone(input.zone);
    if (input.seasonFrom && !isDayOfYear(input.seasonFrom))
      throw new Refused({
        seasonFrom: "Write month and day, like 07-01 for July 1. February 29 is not in every year.",
      });
    const not = whyNotHabit(input);
    if (not) throw new Refused({ [HABIT_FIELDS[not.of]]: not.message });
    larder.db.update(household).set(input).where(eq(household.id, 1)).run();
    return { result: null, note: { kind: "household", id: "1", detail: input } };
  });
}

function checkZone(zone: string): void {
  try {
    new Intl.DateTimeFormat("en", { timeZone: zone });
  } catch {
    throw new Refused({ zone: `“${zone}” is not a time zone known here. Write it like America/Denver.` });
  }
}

/** Returns the people of the household, in the order they were added. */
export function listPeople(larder: Larder): Person[] {
  return memoize(larder, "people", dataVersion(larder), () =>
    larder.db.select().from(person).orderBy(asc(person.createdAt)).all(),
  );
}

/**
 * Adds a person by name; the same name again is the same person. Returns the id. Names are checked by the caller.
 *
 * @param may how far they may go
 */
export function addPerson(larder: Larder, write: Write, name: string, may: Reach = "all"): { id: string } {
  return once(larder, write, "person.add", () => {
    const known = larder.db.select().from(person).where(eq(person.name, name)).get();
    const id = known?.id ?? uuid();
    if (!known) larder.db.insert(person).values({ id, name, may, createdAt: larder.now() }).run();
    return { result: { id }, note: { kind: "person", id, detail: { name, may } } };
  });
}

/** Says how far a person may go. Throws Refused (404) for nobody, and when nobody would be left who may do everything. */
export function letPerson(larder: Larder, write: Write, id: string, may: Reach): void {
  once(larder, write, "person.may", () => {
    const people = larder.db.select().from(person).all();
    const one = people.find((p) => p.id === id);
    if (!one) throw new Refused({ may: "No one here has that name." }, 404);
    if (may !== "all" && !people.some((p) => p.id !== id && p.may === "all"))
      throw new Refused({ may: `${one.name} is the only one who may do everything.` }, 409);
    if (one.may === may) return { result: null, note: null };
    larder.db.update(person).set({ may }).where(eq(person.id, id)).run();
    return { result: null, note: { kind: "person", id, detail: { name: one.name, was: one.may, may } } };
  });
}

/** Returns the name of a person; empty when nobody is named. */
export function personName(larder: Larder, id: string | null): string {
  if (!id) return "";
  return larder.db.select().from(person).where(eq(person.id, id)).get()?.name ?? "";
}
