import { and, asc, eq, isNull } from "drizzle-orm";
import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { photo } from "../schema/index.ts";
import { getHarvest } from "./harvest.ts";

/** Largest file taken, bytes, and the longest side it is kept at, pixels. */
export const PHOTO_LIMIT_BYTES = 12_000_000;
const LONGEST_SIDE = 1600;
/** A picture that unpacks to more than this is not a photo but an attack, pixels. */
const MOST_PIXELS = 80_000_000;
const MOST_PER_ANIMAL = 12;

export interface Photo {
  id: string;
  width: number;
  height: number;
  bytes: number;
  keepsPlace: boolean;
  at: number;
}

export interface ReadyPhoto {
  data: Buffer;
  width: number;
  height: number;
}

/**
 * Returns an uploaded picture ready to store: turned upright, at most 1,600 pixels long, as JPEG, and without the
 * place and camera it was taken with unless the person keeps those. Its type is found from its bytes. Throws Refused
 * when it is no picture.
 */
export async function preparePhoto(bytes: Uint8Array, keepPlace: boolean): Promise<ReadyPhoto> {
  if (bytes.length > PHOTO_LIMIT_BYTES)
    throw new Refused({ photo: "This picture is over 12 MB. Send it smaller." });
  try {
    // Loaded with the first picture and not with the program.
    const { default: sharp } = await import("sharp");
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" });
    const { format } = await picture.metadata();
    if (!["jpeg", "png", "webp"].includes(format ?? ""))
      throw new Refused({ photo: "A photo is a JPEG, PNG or WebP file." });
    const sized = picture
      .autoOrient()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: "inside", withoutEnlargement: true });
    const kept = keepPlace ? sized.keepExif() : sized;
    const { data, info } = await kept.jpeg({ quality: 82 }).toBuffer({ resolveWithObject: true });
    return { data, width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof Refused) throw error;
    throw new Refused({ photo: "This file cannot be read as a photo. Send a JPEG, PNG or WebP." });
  }
}

/**
 * Stores a picture of an animal, as a file beside the database and a row in it. Returns its id. Throws Refused when it
 * has as many as it may.
 */
export function storePhoto(
  larder: Larder,
  write: Write,
  harvestId: string,
  ready: ReadyPhoto,
  keepsPlace: boolean,
): { id: string } {
  return once(larder, write, "photo.keep", () => {
    getHarvest(larder, harvestId);
    if (photosOf(larder, harvestId).length >= MOST_PER_ANIMAL)
      throw new Refused({ photo: `There are ${MOST_PER_ANIMAL} photos of this one. Remove one first.` });
    const id = uuid();
    writePhotoFile(larder, id, ready.data);
    larder.db
      .insert(photo)
      .values({
        id,
        harvestId,
        bytes: ready.data.length,
        width: ready.width,
        height: ready.height,
        keepsPlace: keepsPlace ? 1 : 0,
        at: larder.now(),
        byId: write.byId,
      })
      .run();
    return { result: { id }, note: { kind: "harvest", id: harvestId, detail: { photo: id, keepsPlace } } };
  });
}

const pathOf = (larder: Larder, id: string) => join(larder.folder, "photos", `${id}.jpg`);

/** Writes the file of a photo; call inside the write of its line, and before it: a line without its file would be a lie. */
export function writePhotoFile(larder: Larder, id: string, data: Buffer): void {
  const path = pathOf(larder, id);
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, data, { flush: true });
}

/** Returns the bytes of a photo's file. Throws Refused (404) when it is missing. */
export function readPhotoFile(larder: Larder, id: string): Buffer {
  try {
    return readFileSync(pathOf(larder, id));
  } catch {
    return refuse("The file of this photo is missing beside the larder.", 404);
  }
}

/** Returns the photos of an animal, the oldest first. */
export function photosOf(larder: Larder, harvestId: string): Photo[] {
  return larder.db
    .select()
    .from(photo)
    .where(and(eq(photo.harvestId, harvestId), isNull(photo.removedAt)))
    .orderBy(asc(photo.at))
    .all()
    .map((p) => ({ ...p, keepsPlace: p.keepsPlace === 1 }));
}

/** Returns the bytes of a picture. Throws Refused (404) when there is none of this id. */
export function photoFile(larder: Larder, id: string): Buffer {
  const row = larder.db
    .select()
    .from(photo)
    .where(and(eq(photo.id, id), isNull(photo.removedAt)))
    .get();
  if (!row) return refuse("There is no such photo.", 404);
  return readPhotoFile(larder, row.id);
}

/** Removes a picture from an animal's record. Its file stays. Does nothing when there is none of this id. */
export function removePhoto(larder: Larder, write: Write, id: string): void {
  once(larder, write, "photo.remove", () => {
    larder.db.update(photo).set({ removedAt: larder.now() }).where(eq(photo.id, id)).run();
    return { result: null, note: { kind: "photo", id } };
  });
}
