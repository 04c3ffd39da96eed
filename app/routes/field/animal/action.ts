import { href, redirect } from "react-router";
import { localDay } from "#core/calendar";
import { writingOf } from "#store/household";
import { z } from "zod";
import { importColdRows, addColdEntry, MOST_BYTES, readLogFile, strikeColdEntry } from "#store/cold";
import {
  PHOTO_LIMIT_BYTES,
  WEIGHT_KINDS,
  addIndividual,
  amendHarvest,
  harvestByCode,
  holdHarvest,
  storePhoto,
  preparePhoto,
  recordFirstHours,
  removePhoto,
  sameTag,
  setShares,
  sharesOf,
  type Harvest,
} from "#store/harvest";
import { Refused } from "#store/db";
import { parseNumber, type Writing } from "#core/quantity";

import type { Home } from "../../../server/context";
import {
  byIntent,
  instant,
  isUpload,
  keyField,
  orNotFound,
  quantity,
  submit,
  submitUpload,
  type Upload,
  weight,
  wholeFile,
  words,
  writeBy,
} from "../../../server/form";
import { holdForms, type PlaceHold } from "../../../server/hold";

/** Everything the card of one animal can be told. */
export async function cardAction(home: Home, request: Request, code: string) {
  const { larder } = home;
  const animal = orNotFound(() => harvestByCode(larder, code));
  const back = (hash = "") => redirect(`${href("/field/:code", { code })}${hash}`);
  if (isUpload(request)) return submitUpload(request, uploads(home, animal, back));
  const place: PlaceHold = (write, condition, kind) => holdHarvest(larder, write, animal.id, condition, kind);
  return byIntent(request, {
    ...simple(home, animal, request, back),
    ...holdForms(home, request, place, back),
  });
}

type Back = (hash?: string) => Response;

function simple(home: Home, animal: Harvest, request: Request, back: Back) {
  const { larder, household, me } = home;
  const { units, zone } = household;
  const dayOf = (at: number) => localDay(at, zone);
  return {
    amend: () =>
      submit(request, amendSchema(writingOf(household)), (v) => {
        const { key, intent: _, confirmed, unlikely: __, weight: weightKg, ...rest } = v;
        if (v.tag && v.tag !== animal.tag && !confirmed) {
          const other = sameTag(larder, v.tag, v.takenOn ?? animal.takenOn, animal.id);
          if (other)
            throw new Refused({
              unlikely: `${other.code} of ${other.takenOn} carries this tag too. Is it right?`,
            });
        }
        // A field sent empty was emptied; its old value stays in the audit.
        const emptied = { place: null, tag: null, takenBy: null, age: null, note: null, sex: null };
        amendHarvest(
          larder,
          writeBy(me, key),
          animal.id,
          { ...emptied, ...rest, ...(weightKg === undefined ? {} : { weightKg }) },
          dayOf,
          units,
        );
        return back();
      }),
    hours: () =>
      submit(request, hoursSchema(zone), (v) => {
        recordFirstHours(
          larder,
          writeBy(me, v.key),
          animal.id,
          { killedAt: v.killedAt ?? null, guttedAt: v.guttedAt ?? null, cooledAt: v.cooledAt ?? null },
          dayOf,
        );
        return back("#cold");
      }),
    entry: () =>
      submit(request, entrySchema(writingOf(household), zone), (v) => {
        addColdEntry(larder, writeBy(me, v.key), {
          harvestId: animal.id,
          at: v.at ?? larder.now(),
          tempC: v.temp ?? null,
          place: v.place ?? null,
        });
        return back("#cold");
      }),
    strike: () =>
      submit(request, z.object({ key: keyField, intent: z.string(), entryId: z.string() }), (v) => {
        strikeColdEntry(larder, writeBy(me, v.key), v.entryId);
        return back("#cold");
      }),
    share: () =>
      submit(request, shareSchema, (v) => {
        const others = sharesOf(larder, animal.id).filter((s) => s.who !== v.who);
        setShares(larder, writeBy(me, v.key), animal.id, [...others, { who: v.who, fraction: v.share }]);
        return back("#shares");
      }),
    unshare: () =>
      submit(request, z.object({ key: keyField, intent: z.string(), who: z.string() }), (v) => {
        setShares(
          larder,
          writeBy(me, v.key),
          animal.id,
          sharesOf(larder, animal.id).filter((s) => s.who !== v.who),
        );
        return back("#shares");
      }),
    one: () =>
      submit(request, oneSchema(writingOf(household)), (v) => {
        addIndividual(larder, writeBy(me, v.key), animal.id, {
          weightKg: v.oneWeight ?? null,
          lengthM: v.oneLength ?? null,
        });
        return back("#ones");
      }),
    unphoto: () =>
      submit(request, z.object({ key: keyField, intent: z.string(), photoId: z.string() }), (v) => {
        removePhoto(larder, writeBy(me, v.key), v.photoId);
        return back("#photos");
      }),
  };
}

function uploads(home: Home, animal: Harvest, back: Back): Record<string, Upload<z.ZodObject>> {
  const { larder, household, me } = home;
  const log: Upload<typeof logSchema> = {
    schema: logSchema,
    field: "file",
    limitBytes: MOST_BYTES,
    async work(v, file) {
      const read = await readLogFile(
        file,
        {
          zone: household.zone,
          dateOrder: v.dateOrder,
          now: larder.now(),
          notBefore: animal.killedAt,
        },
        v.probe ?? null,
      );
      const { added, known } = await importColdRows(larder, writeBy(me, v.key), animal.id, read.rows);
      return { log: { added, known, refusedCount: read.refusedCount, refused: read.refused } };
    },
  };
  const photo: Upload<typeof photoSchema> = {
    schema: photoSchema,
    field: "photo",
    limitBytes: PHOTO_LIMIT_BYTES,
    async work(v, file) {
      const bytes = await wholeFile(file);
      if (bytes.length === 0) throw new Refused({ photo: "Choose a photo first." });
      const ready = await preparePhoto(bytes, v.keepsPlace);
      storePhoto(larder, writeBy(me, v.key), animal.id, ready, v.keepsPlace);
      return back("#photos");
    },
  };
  return { log, photo } as unknown as Record<string, Upload<z.ZodObject>>;
}

const amendSchema = (units: Writing) =>
  z.object({
    key: keyField,
    intent: z.literal("amend"),
    takenOn: z.iso.date("Write the day like 2026-11-20.").optional(),
    place: words("The place").optional(),
    tag: words("The tag", 60).optional(),
    takenBy: words("The name", 60).optional(),
    weight: weight(units).optional(),
    weightKind: z.enum(WEIGHT_KINDS).optional(),
    count: z.coerce
      .number("Write how many as a number.")
      .int("Count whole animals.")
      .min(1, "At least one.")
      .max(10_000, "That is more than a catch.")
      .optional(),
    sex: z.enum(["male", "female"]).optional(),
    age: words("The age", 40).optional(),
    note: words("The note", 500).optional(),
    confirmed: z.literal("yes").optional(),
    unlikely: z.string().optional(),
  });

const hoursSchema = (zone: string) =>
  z.object({
    key: keyField,
    intent: z.literal("hours"),
    killedAt: instant(zone).optional(),
    guttedAt: instant(zone).optional(),
    cooledAt: instant(zone).optional(),
  });

const entrySchema = (units: Writing, zone: string) =>
  z.object({
    key: keyField,
    intent: z.literal("entry"),
    place: words("The place", 60).optional(),
    temp: quantity("temperature", units, "The temperature").optional(),
    at: instant(zone).optional(),
  });

/** A share as people say it: `1/2`, `½`, `50 %`, `0.5`. */
const shareSchema = z.object({
  key: keyField,
  intent: z.literal("share"),
  who: words("The name", 60),
  share: z.string({ error: "The share is missing." }).transform((text, ctx) => {
    const percent = /%\s*$/.test(text);
    const value = parseNumber(text.replace(/%\s*$/, "").trim());
    const fraction =
      value === null ? null : percent || (value > 1 && !text.includes("/")) ? value / 100 : value;
    if (fraction !== null && fraction > 0 && fraction <= 1) return fraction;
    ctx.addIssue({ code: "custom", message: "Write a share like 1/2 or 50 %." });
    return z.NEVER;
  }),
});

const oneSchema = (units: Writing) =>
  z.object({
    key: keyField,
    intent: z.literal("one"),
    oneWeight: weight(units).optional(),
    oneLength: quantity("length", units, "The length")
      .refine((m) => m > 0 && m < 10, "A length is more than zero, and no fish here is ten meters long.")
      .optional(),
  });

const logSchema = z.object({
  key: keyField,
  intent: z.literal("log"),
  dateOrder: z.enum(["month-first", "day-first"]).default("month-first"),
  probe: words("The probe", 60).optional(),
  file: z.string().optional(),
});

const photoSchema = z.object({
  key: keyField,
  intent: z.literal("photo"),
  keepsPlace: z.boolean().default(false),
  photo: z.string().optional(),
});
