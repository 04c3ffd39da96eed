import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { localDay } from "#core/calendar";
import {
  officeGoodUntil,
  officeSchedule as judgeOffice,
  whyNotGivenFor,
  type ContainerKey,
  type GaugeKind,
  type OfficeSchedule,
  type PackMethod,
  type ProductKey,
  type ScheduledProcess,
} from "#core/schedule";
import { officeSchedule } from "../schema/index.ts";

/** A schedule of an extension office as the household keeps it. */
export interface KeptOffice extends Omit<OfficeSchedule, "pack"> {
  id: string;
  method: PackMethod;
  /** what the office said it is for, as written; null for nothing */
  note: string | null;
  /** photo of its letter; null when none is kept */
  photoId: string | null;
  /** ms since 1970 UTC */
  at: number;
  byName: string;
  /** last day it is used on, YYYY-MM-DD */
  goodUntil: string;
  /** a year has passed, or it was taken out of use */
  over: boolean;
}

const day = (larder: Larder) => {
  const zone = larder.sqlite.prepare("select zone from household").pluck().get() as string | undefined;
  return localDay(larder.now(), zone ?? "UTC");
};

/** Returns every schedule of an office that was entered, newest first. */
export function listOffices(larder: Larder): KeptOffice[] {
  const today = day(larder);
  const rows = larder.sqlite
    .prepare(
      `select o.id, o.product, o.method, o.container, o.gauge, o.altitude_m as altitudeM, o.minutes, o.pressure_psi as pressurePsi,
         o.office, o.given_on as givenOn, o.note, o.photo_id as photoId, o.at, p.name as byName, o.ended_at as endedAt
       from office_schedule o join person p on p.id = o.by_id order by o.at desc, o.id desc`,
    )
    .all() as (Omit<KeptOffice, "goodUntil" | "over"> & { endedAt: number | null })[];
  return rows.map(({ endedAt, ...o }) => {
    const goodUntil = officeGoodUntil(o.givenOn);
    return { ...o, goodUntil, over: endedAt !== null || today > goodUntil };
  });
}

export type OfficeInput = Omit<OfficeSchedule, "pack"> & {
  method: PackMethod;
  note: string | null;
  photoId: string | null;
};

/**
 * Keeps a schedule that an extension office gave. Returns its id. Throws Refused at the field to correct: a row of the
 * tables covers it, it is weaker than the nearest row, or its day is not yet or over a year ago.
 */
export function addOffice(larder: Larder, write: Write, input: OfficeInput): { id: string } {
  return once(larder, write, "office.add", () => {
    if (!write.byId) throw new Refused({ "": "Say who you are first." });
    const today = day(larder);
    if (input.givenOn > today) throw new Refused({ givenOn: "This day has not come yet." });
    if (officeGoodUntil(input.givenOn) < today)
      throw new Refused({ givenOn: "This is over a year ago. Ask the office again, and enter the new day." });
    if (!Number.isInteger(input.minutes)) throw new Refused({ minutes: "Enter whole minutes." });
    const { method: pack, note, photoId, ...given } = input;
    const answer = judgeOffice({ ...given, pack });
    if (answer.outcome === "none") throw new Refused({ container: answer.reason });
    const id = uuid();
    larder.db
      .insert(officeSchedule)
      .values({
        ...given,
        id,
        method: answer.pack,
        office: given.office.trim(),
        note: note?.trim() || null,
        photoId,
        at: larder.now(),
        byId: write.byId,
      })
      .run();
    return { result: { id }, note: { kind: "office", id, detail: input } };
  });
}

/** Takes an office's schedule out of use. What was packed by it keeps it. Throws Refused (404) when there is none of this id. */
export function endOffice(larder: Larder, write: Write, id: string): void {
  once(larder, write, "office.end", () => {
    const known = listOffices(larder).find((o) => o.id === id);
    if (!known) return refuse("There is no such schedule.", 404);
    larder.sqlite
      .prepare("update office_schedule set ended_at = ? where id = ? and ended_at is null")
      .run(larder.now(), id);
    return { result: null, note: { kind: "office", id, detail: { office: known.office } } };
  });
}

/** What somebody wants to pack by an office's schedule. */
export interface OfficeAsked {
  product: ProductKey;
  method: PackMethod;
  container: ContainerKey;
}

/** Returns the schedules of offices that may be used for this now, newest first: for what each says, and nothing else. */
export function officesFor(
  larder: Larder,
  { product, method, container }: OfficeAsked,
  altitudeM: number,
): KeptOffice[] {
  return listOffices(larder).filter(
    (o) =>
      !o.over &&
      o.product === product &&
      o.method === method &&
      o.container === container &&
      whyNotGivenFor(processOf(o), altitudeM) === null,
  );
}

/** Returns the scheduled process an office gave. Throws RangeError when the tables cover it by now. */
export function processOf({ method: pack, ...kept }: KeptOffice): ScheduledProcess {
  const answer = judgeOffice({ ...kept, pack });
  if (answer.outcome === "none") throw new RangeError(answer.reason);
  return answer;
}

/** What names an office's schedule, as a pack asks for it. */
export interface GivenByOffice {
  office: string;
  givenOn: string;
  minutes: number;
  pressurePsi: number;
  gauge: GaugeKind;
}

/**
 * Returns the process of the office's schedule that a pack asks for. Throws Refused unless the household keeps exactly
 * this one, and it may be used for this at this altitude.
 *
 * @param altitudeM meters above sea level
 */
export function permitOffice(
  larder: Larder,
  asked: OfficeAsked,
  given: GivenByOffice,
  altitudeM: number,
): ScheduledProcess {
  const same = (o: KeptOffice) =>
    o.office === given.office &&
    o.givenOn === given.givenOn &&
    o.minutes === given.minutes &&
    o.pressurePsi === given.pressurePsi &&
    o.gauge === given.gauge;
  const found = officesFor(larder, asked, altitudeM).find(same);
  if (found) return processOf(found);
  const judged = judgeOffice({ ...asked, ...given, pack: asked.method, altitudeM });
  if (judged.outcome === "none") throw new Refused({ office: judged.reason });
  throw new Refused({
    office:
      "No such schedule is kept here for this, or it was given over a year ago. Enter it under Help, Office schedules.",
  });
}
