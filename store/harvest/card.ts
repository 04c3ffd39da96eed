import { asc, eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import { impossibleHours, type FirstHours } from "#core/cold";
import { SCALE_SLACK_KG } from "#core/lot";
import { formatMass, type UnitSystem } from "#core/quantity";
import { ownSpeciesKey, speciesByKey } from "#core/species";
import { harvest, harvestLoss, harvestShare, individual, ownSpecies } from "../schema/index.ts";
import { getHarvest, leftSentence, type WeightKind } from "./harvest.ts";

/** What is filled in later on an animal's card. A key left out stays as it is. */
export interface CardInput {
  place?: string | null;
  tag?: string | null;
  takenBy?: string | null;
  weightKg?: number | null;
  weightKind?: WeightKind | null;
  sex?: "male" | "female" | null;
  age?: string | null;
  note?: string | null;
  count?: number;
  takenOn?: string;
}

/**
 * Completes or corrects an animal's record; the earlier values stay in the activity log. Throws Refused at the field
 * that is wrong.
 *
 * @param dayOf the household's day of an instant
 */
export function amendHarvest(
  larder: Larder,
  write: Write,
  harvestId: string,
  input: CardInput,
  dayOf: (at: number) => string,
  units: UnitSystem,
): void {
  once(larder, write, "harvest.amend", () => {
    const before = getHarvest(larder, harvestId);
    const used = before.cutKg + before.lostKg;
    if (input.weightKg != null && input.weightKg < used - SCALE_SLACK_KG)
      throw new Refused({
        weight: `${formatMass(used, units)} of it has been cut already, so it weighed at least that.`,
      });
    if (input.takenOn !== undefined) checkDay(larder, before.id, input.takenOn, dayOf);
    larder.db.update(harvest).set(input).where(eq(harvest.id, harvestId)).run();
    return {
      result: null,
      note: { kind: "harvest", id: harvestId, detail: { input, before: pick(before, input) } },
    };
  });
}

function pick(before: object, keys: object): object {
  return Object.fromEntries(Object.entries(before).filter(([k]) => k in keys));
}

/** An animal is not dated after what was made of it, nor after today. */
function checkDay(larder: Larder, harvestId: string, takenOn: string, dayOf: (at: number) => string): void {
  if (takenOn > dayOf(larder.now()))
    throw new Refused({ takenOn: "That day is in the future. When was it taken?" });
  const first = larder.sqlite
    .prepare("select min(at) as at from lot_flow where from_harvest = ?")
    .get(harvestId) as { at: number | null };
  if (first.at !== null && takenOn > dayOf(first.at))
    throw new Refused({
      takenOn: `Its first lot was cut on ${dayOf(first.at)}, so it was taken on that day or before.`,
    });
}

/**
 * Records when an animal was killed, gutted and cold, ms since 1970 UTC; the day it was taken follows from the first.
 * Throws Refused at the instant that is impossible.
 *
 * @param dayOf the household's day of an instant
 */
export function recordFirstHours(
  larder: Larder,
  write: Write,
  harvestId: string,
  hours: FirstHours,
  dayOf: (at: number) => string,
): void {
  once(larder, write, "harvest.hours", () => {
    getHarvest(larder, harvestId);
    const wrong = impossibleHours(hours, larder.now());
    if (wrong) throw new Refused({ [wrong.field]: wrong.message });
    const takenOn = hours.killedAt === null ? {} : { takenOn: dayOf(hours.killedAt) };
    if (hours.killedAt !== null) {
      try {
        checkDay(larder, harvestId, dayOf(hours.killedAt), dayOf);
      } catch (error) {
        if (error instanceof Refused) throw new Refused({ killedAt: error.message });
        throw error;
      }
    }
    larder.db
      .update(harvest)
      .set({ ...hours, ...takenOn })
      .where(eq(harvest.id, harvestId))
      .run();
    return { result: null, note: { kind: "harvest", id: harvestId, detail: hours } };
  });
}

export interface Share {
  who: string;
  /** 0 to 1 */
  fraction: number;
}

/** Returns who has a share in an animal. */
export function sharesOf(larder: Larder, harvestId: string): Share[] {
  return larder.db
    .select({ who: harvestShare.who, fraction: harvestShare.fraction })
    .from(harvestShare)
    .where(eq(harvestShare.harvestId, harvestId))
    .orderBy(asc(harvestShare.who))
    .all();
}

/**
 * Stores who owns how much of an animal besides the household, each 0 to 1. Throws Refused when they add up to more
 * than 1.
 */
export function setShares(larder: Larder, write: Write, harvestId: string, shares: Share[]): void {
  once(larder, write, "harvest.shares", () => {
    getHarvest(larder, harvestId);
    const total = shares.reduce((sum, s) => sum + s.fraction, 0);
    if (shares.some((s) => !(s.fraction > 0)) || total > 1 + 1e-9)
      throw new Refused({ share: "Shares are more than nothing and together no more than the whole." });
    if (new Set(shares.map((s) => s.who.toLowerCase())).size < shares.length)
      throw new Refused({ who: "Each name once." });
    larder.db.delete(harvestShare).where(eq(harvestShare.harvestId, harvestId)).run();
    for (const s of shares)
      larder.db
        .insert(harvestShare)
        .values({ harvestId, ...s })
        .run();
    return { result: null, note: { kind: "harvest", id: harvestId, detail: shares } };
  });
}

export interface Individual {
  number: number;
  weightKg: number | null;
  lengthM: number | null;
}

/** Returns the individuals of a catch, in the order they were recorded. */
export function individualsOf(larder: Larder, harvestId: string): Individual[] {
  return larder.db
    .select({ number: individual.number, weightKg: individual.weightKg, lengthM: individual.lengthM })
    .from(individual)
    .where(eq(individual.harvestId, harvestId))
    .orderBy(asc(individual.number))
    .all();
}

/**
 * Records one fish or bird of a catch. Returns its number, from 1. Throws Refused when the catch has no more.
 *
 * @param one weight in kg and length in m, > 0; null where not measured
 */
export function addIndividual(
  larder: Larder,
  write: Write,
  harvestId: string,
  one: { weightKg: number | null; lengthM: number | null },
): { number: number } {
  return once(larder, write, "harvest.individual", () => {
    const animal = getHarvest(larder, harvestId);
    const known = individualsOf(larder, harvestId);
    if (one.weightKg === null && one.lengthM === null)
      throw new Refused({ oneWeight: "Give its weight, its length or both." });
    if (known.length >= animal.count)
      throw new Refused({
        oneWeight: `All ${animal.count} of this catch are written down. Correct the count first.`,
      });
    const number = (known.at(-1)?.number ?? 0) + 1;
    larder.db
      .insert(individual)
      .values({ harvestId, number, ...one })
      .run();
    return { result: { number }, note: { kind: "harvest", id: harvestId, detail: one } };
  });
}

export interface Loss {
  id: string;
  what: string;
  massKg: number;
  at: number;
}

/** Returns what of an animal went to nobody, weights in kg. */
export function lossesOf(larder: Larder, harvestId: string): Loss[] {
  return larder.db
    .select({ id: harvestLoss.id, what: harvestLoss.what, massKg: harvestLoss.massKg, at: harvestLoss.at })
    .from(harvestLoss)
    .where(eq(harvestLoss.harvestId, harvestId))
    .orderBy(asc(harvestLoss.at))
    .all();
}

/**
 * Records weight of an animal that becomes no lot, such as hide or a shot-through shoulder. Throws Refused when that
 * is more than is left.
 *
 * @param input kg, > 0
 */
export function discardFromHarvest(
  larder: Larder,
  write: Write,
  input: { harvestId: string; what: string; massKg: number },
  units: UnitSystem,
): void {
  once(larder, write, "harvest.discard", () => {
    const animal = getHarvest(larder, input.harvestId);
    if (!(input.massKg > 0)) throw new Refused({ inKg: "Weight must be more than 0." });
    if (animal.leftKg !== null && input.massKg > animal.leftKg + SCALE_SLACK_KG)
      throw new Refused({
        inKg: `${leftSentence(animal, units)}. Weigh again, or correct the animal's weight.`,
      });
    larder.db
      .insert(harvestLoss)
      .values({ id: uuid(), at: larder.now(), byId: write.byId, ...input })
      .run();
    return { result: null, note: { kind: "harvest", id: input.harvestId, detail: input } };
  });
}

/**
 * Adds an animal to the household's own list by its name and the listed animal it is treated like. Returns its key.
 * Throws Refused when the name is taken or the other animal is not known.
 */
export function addOwnSpecies(
  larder: Larder,
  write: Write,
  input: { likeKey: string; name: string },
): { key: string } {
  return once(larder, write, "species.add", () => {
    if (!speciesByKey(input.likeKey) || input.likeKey.includes("/"))
      throw new Refused({ like: "Choose the animal of the list it is most like." });
    const key = ownSpeciesKey(input.likeKey, input.name);
    const known = ownSpeciesKeys(larder).find(
      (k) => speciesByKey(k)?.name.toLowerCase() === speciesByKey(key)!.name.toLowerCase(),
    );
    if (known) throw new Refused({ ownName: "This animal is on your list already." });
    larder.db.insert(ownSpecies).values({ key, createdAt: larder.now(), byId: write.byId }).run();
    return { result: { key }, note: { kind: "species", id: key, detail: input } };
  });
}

/** Returns keys of the species that the household added itself. */
export function ownSpeciesKeys(larder: Larder): string[] {
  return larder.db
    .select({ key: ownSpecies.key })
    .from(ownSpecies)
    .orderBy(asc(ownSpecies.key))
    .all()
    .map((r) => r.key);
}
