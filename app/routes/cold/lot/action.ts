import { href, redirect } from "react-router";
import { HOUR_MS, type Writing } from "#core/quantity";
import { writingOf } from "#store/household";
import { z } from "zod";
import { THAW_METHODS, thawEstimate } from "#core/cold";
import { LEAVINGS, TREATMENTS, readBrine, type Brine } from "#core/lot";
import { FORMS, speciesByKey } from "#core/species";
import { Refused } from "#store/db";
import { holdLot } from "#store/harvest";
import {
  brothFromBones,
  giveLotTo,
  lotByCode,
  recordLotEvent,
  recutLot,
  splitLot,
  undoLotEvent,
  type Lot,
} from "#store/lot";
import type { Home } from "../../../server/context";
import {
  byIntent,
  instant,
  keyField,
  orNotFound,
  quantity,
  submit,
  weight,
  words,
  writeBy,
} from "../../../server/form";
import { holdForms, type PlaceHold } from "../../../server/hold";

/** Everything that can be done with one lot. */
export async function lotAction(home: Home, request: Request, code: string) {
  const { larder } = home;
  const lot = orNotFound(() => lotByCode(larder, code));
  const back = (to = code) => redirect(href("/cold/:code", { code: to }));
  const place: PlaceHold = (write, condition, kind) => holdLot(larder, write, lot.id, condition, kind);
  return byIntent(request, {
    ...coldForms(home, lot, request, back),
    ...knifeForms(home, lot, request, back),
    ...holdForms(home, request, place, back),
  });
}

type Back = (to?: string) => Response;
const base = { key: keyField, intent: z.string() };

/** Returns the forms of freezing, thawing and moving by their intent: what happens to a lot without a knife. */
export function coldForms(home: Home, lot: Lot, request: Request, back: Back) {
  const { larder, household, me } = home;
  const { zone } = household;
  const freeze = z.object({
    ...base,
    place: words("The place", 60).optional(),
    at: instant(zone).optional(),
  });
  const thaw = z.object({
    ...base,
    method: z.enum(THAW_METHODS),
    thick: quantity("length", writingOf(household), "The thickness"),
    readyAt: instant(zone).optional(),
    when: z.enum(["now", "by"]).default("now"),
  });
  const account = z.object({
    ...base,
    of: z.enum(["refrigerator", "warm"]),
    reason: words("The reason", 200),
    since: instant(zone).optional(),
  });
  return {
    account: () =>
      submit(request, account, (v) => {
        const { of, reason, since = null } = v;
        const at = larder.now();
        recordLotEvent(larder, writeBy(me, v.key), lot.id, { kind: "account", at, of, reason, since });
        return back();
      }),
    freeze: () =>
      submit(request, freeze, (v) => {
        const event = { kind: "freeze", at: v.at ?? larder.now(), place: v.place ?? null } as const;
        recordLotEvent(larder, writeBy(me, v.key), lot.id, event);
        return back();
      }),
    thaw: () =>
      submit(request, thaw, (v) => {
        const now = larder.now();
        if (!(v.thick >= 0.005 && v.thick <= 0.4))
          throw new Refused({
            thick: "A bag is between 5 mm and 40 cm thick (¼ in to 16 in). Measure it flat.",
          });
        const water = speciesByKey(lot.species[0] ?? "")?.composition.water;
        const took = thawEstimate(v.method, lot.leftKg, v.thick, water).hours * HOUR_MS;
        if (v.when === "by" && v.readyAt === undefined)
          throw new Refused({ readyAt: "Say when it has to be ready." });
        recordLotEvent(
          larder,
          writeBy(me, v.key),
          lot.id,
          v.when === "by"
            ? {
                kind: "thaw-plan",
                at: now,
                method: v.method,
                thickM: v.thick,
                startAt: v.readyAt! - took,
                readyAt: v.readyAt!,
              }
            : { kind: "thaw-start", at: now, method: v.method, thickM: v.thick, readyAt: now + took },
        );
        return back();
      }),
    thawed: () =>
      submit(request, z.object(base), (v) => {
        recordLotEvent(larder, writeBy(me, v.key), lot.id, { kind: "thaw-done", at: larder.now() });
        return back();
      }),
    move: () =>
      submit(request, z.object({ ...base, place: words("The place", 60).optional() }), (v) => {
        const event = { kind: "move", at: larder.now(), place: v.place ?? null } as const;
        recordLotEvent(larder, writeBy(me, v.key), lot.id, event);
        return back();
      }),
    owner: () =>
      submit(request, z.object({ ...base, forWhom: words("The name", 60).optional() }), (v) => {
        giveLotTo(larder, writeBy(me, v.key), lot.id, v.forWhom ?? null);
        return back();
      }),
    undo: () =>
      submit(request, z.object(base), (v) => {
        undoLotEvent(larder, writeBy(me, v.key), lot.id);
        return back();
      }),
  };
}

/** What somebody said of a brine; null when nothing was said. Throws Refused at the field that is wrong or missing. */
function brineOf(salt: string | undefined, minutes: number | undefined, writing: Writing): Brine | null {
  if (salt === undefined && minutes === undefined) return null;
  if (salt === undefined)
    throw new Refused({ salt: "How strong was the brine? Leave both blank if you do not know." });
  const read = readBrine(salt, writing);
  if (!read.ok) throw new Refused({ salt: read.message });
  if (minutes === undefined) throw new Refused({ minutes: "How many minutes was it in the brine?" });
  return { saltPercent: read.saltPercent, minutes };
}

/** Splitting, cutting anew, cooking, giving away: what changes its weight. */
function knifeForms(home: Home, lot: Lot, request: Request, back: Back) {
  const { larder, household, me } = home;
  const writing = writingOf(household);
  const split = z.object({
    ...base,
    massKg: weight(writing),
    part: words("The part", 60).optional(),
    forWhom: words("The name", 60).optional(),
  });
  const change = z.object({
    ...base,
    kind: z.enum([...TREATMENTS, "weigh"]),
    afterKg: weight(writing, "The weight after"),
    salt: words("The salt", 40).optional(),
    minutes: z.coerce.number("Write the minutes as a number.").int("Whole minutes.").optional(),
  });
  const recut = z.object({
    ...base,
    form: z.enum(FORMS, "Choose what it is cut to."),
    inKg: weight(writing, "The weight in"),
    outKg: weight(writing, "The weight out"),
    trimKg: weight(writing).optional(),
  });
  const broth = z.object({
    ...base,
    bonesKg: weight(writing, "The weight of bones"),
    litres: quantity("volume", writing, "The broth"),
  });
  const leave = z.object({
    ...base,
    kind: z.enum(LEAVINGS),
    massKg: weight(writing),
    to: words("To whom, or why", 80).optional(),
  });
  return {
    split: () =>
      submit(request, split, (v) => {
        const made = splitLot(larder, writeBy(me, v.key), {
          lotId: lot.id,
          massKg: v.massKg,
          part: v.part ?? null,
          forWhom: v.forWhom ?? lot.forWhom,
        });
        return back(made.code);
      }),
    change: () =>
      submit(request, change, (v) => {
        const brine = v.kind === "brine" ? brineOf(v.salt, v.minutes, writing) : null;
        recordLotEvent(larder, writeBy(me, v.key), lot.id, {
          kind: v.kind,
          at: larder.now(),
          afterKg: v.afterKg,
          ...(brine && { brine }),
        });
        return back();
      }),
    recut: () =>
      submit(request, recut, (v) => {
        const { inKg, outKg, form } = v;
        const made = recutLot(larder, writeBy(me, v.key), {
          lotId: lot.id,
          inKg,
          outKg,
          trimKg: v.trimKg ?? null,
          form,
          part: null,
        });
        return back(made.code);
      }),
    broth: () =>
      submit(request, broth, (v) => {
        const { bonesKg, litres } = v;
        const made = brothFromBones(larder, writeBy(me, v.key), { lotId: lot.id, bonesKg, litres });
        return back(made.code);
      }),
    leave: () =>
      submit(request, leave, (v) => {
        const event = { kind: v.kind, at: larder.now(), massKg: v.massKg, to: v.to ?? null };
        recordLotEvent(larder, writeBy(me, v.key), lot.id, event);
        return back();
      }),
  };
}
