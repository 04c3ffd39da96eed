import { createHash } from "node:crypto";
import { createReadStream, existsSync, readFileSync, rmSync, statSync } from "node:fs";
import { copyFile, mkdir, readdir, rename, rm, stat, writeFile } from "node:fs/promises";
import { basename, isAbsolute, join, relative, resolve } from "node:path";
import { pipeline } from "node:stream/promises";
import { v7 as uuid } from "uuid";
import { z } from "zod";
import { DAY_MS } from "#core/quantity";
import { once, Refused, writeWhole, type Larder, type Write } from "#store/db";
import { listStatements } from "#store/witness";
import { backupFolder, listBackups, readBackupName, flushToDisk } from "./copies.ts";
import { backupsToKeep } from "./rotation.ts";

/** Where backups go as well: another disk, a stick, a mounted folder. It belongs to this machine, so it is in no record. */
const Place = z.object({
  path: z.string(),
  /** written into the folder when it was chosen: the empty folder of a stick that is not plugged in has none */
  id: z.string(),
  setAt: z.number(),
  /** when a backup last went there and was read back, ms since 1970 UTC; null: never */
  lastAt: z.number().nullable(),
  /** what stood in the way the last time; null when nothing did */
  trouble: z.string().nullable(),
});

export interface SecondPlace extends z.output<typeof Place> {
  /** on the same disk as the larder, as far as the machine tells: lost with it */
  sameDisk: boolean;
}

const SETTINGS = "second-place.json";
const MARK = "patient-larder-backups.json";
/** After so long without a backup there, somebody is told, ms. Common practice, no source. */
const OVERDUE_MS = 3 * DAY_MS;

const save = (folder: string, place: z.output<typeof Place>) =>
  writeWhole(join(folder, SETTINGS), `${JSON.stringify(place, null, 1)}\n`);

/**
 * Returns the second place for a larder's backups and when it last worked; null when none was chosen.
 *
 * @param folder the larder's folder
 */
export function secondPlaceOf(folder: string): SecondPlace | null {
  const path = join(folder, SETTINGS);
  if (!existsSync(path)) return null;
  const read = Place.safeParse(parsed(readFileSync(path, "utf8")));
  return read.success ? { ...read.data, sameDisk: isSameDisk(folder, read.data.path) } : null;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

function isSameDisk(folder: string, path: string): boolean {
  return existsSync(path) && statSync(path).dev === statSync(folder).dev;
}

/**
 * Chooses the second place for backups, after a file was written there and read back. Throws Refused at `path` with
 * what is wrong with it.
 */
export async function setSecondPlace(larder: Larder, write: Write, path: string): Promise<void> {
  const place = resolve(path.trim());
  const no = (why: string): never => {
    throw new Refused({ path: why });
  };
  if (!isAbsolute(path.trim())) no("Type the whole path. Example: /media/stick/larder");
  const there = await stat(place).catch(() => null);
  if (!there) no("There is no such folder. Plug the disk in, or make the folder first.");
  if (!there!.isDirectory()) no("This is a file. Type the path of a folder.");
  const inside = relative(resolve(larder.folder), place);
  if (!inside.startsWith("..") && !isAbsolute(inside))
    no("This is inside the larder's own folder. Choose a folder on another disk.");
  const id = uuid();
  try {
    await writeFile(join(place, MARK), `${JSON.stringify({ id, of: larder.folder })}\n`);
    flushToDisk(join(place, MARK));
  } catch {
    no("Nothing can be written there. Allow this program to write to the folder, or choose another.");
  }
  if (!isThere(place, id)) no("What was written there does not read back. Choose another disk.");
  once(larder, write, "backup.second-place", () => ({
    result: null,
    note: { kind: "household", id: "1", detail: { path: place } },
  }));
  save(larder.folder, { path: place, id, setAt: larder.now(), lastAt: null, trouble: null });
}

/** Sends no more backups to the second place. What is there stays. */
export function removeSecondPlace(larder: Larder, write: Write): void {
  once(larder, write, "backup.second-place", () => ({
    result: null,
    note: { kind: "household", id: "1", detail: { path: null } },
  }));
  rmSync(join(larder.folder, SETTINGS), { force: true });
}

const isThere = (path: string, id: string): boolean => {
  const mark = join(path, MARK);
  if (!existsSync(mark)) return false;
  return (parsed(readFileSync(mark, "utf8")) as { id?: unknown } | null)?.id === id;
};

/**
 * Copies the newest backup and every signature to the second place, reads each back, and removes older backups there
 * by the same rotation. Returns what prevented it, as a sentence; null when nothing did, or no place was chosen.
 */
export async function copyToSecondPlace({ folder, now }: Larder): Promise<string | null> {
  const place = secondPlaceOf(folder);
  if (!place) return null;
  const { sameDisk: _, ...settings } = place;
  try {
    if (!isThere(place.path, place.id))
      throw new Error(`${place.path} is not there. Plug the disk in, or choose another place.`);
    const [newest] = listBackups(folder);
    const brought = newest && (await bring(join(backupFolder(folder), newest.name), place.path));
    await mkdir(join(place.path, "witness"), { recursive: true });
    for (const path of listStatements(folder)) await bring(path, join(place.path, "witness"));
    await letGo(place.path);
    // What was there already went there before: the screen says when, and not that it was looked for.
    const lastAt = brought ? now() : newest ? Math.max(settings.lastAt ?? 0, newest.at) : settings.lastAt;
    save(folder, { ...settings, lastAt, trouble: null });
    return null;
  } catch (error) {
    const trouble = (error as Error).message;
    save(folder, { ...settings, trouble });
    return trouble;
  }
}

/**
 * Copies a file into a folder, unless it is there already, and holds what is read back against it.
 * @returns whether it was copied now
 */
async function bring(path: string, into: string): Promise<boolean> {
  const to = join(into, basename(path));
  if (existsSync(to) && statSync(to).size === statSync(path).size) return false;
  const part = `${to}.part`;
  try {
    await copyFile(path, part);
    flushToDisk(part);
    if ((await hashOf(part)) !== (await hashOf(path)))
      throw new Error(
        `${basename(path)} does not read back there as it was written. The disk may be failing.`,
      );
    await rename(part, to);
    flushToDisk(into);
    return true;
  } finally {
    await rm(part, { force: true });
  }
}

async function hashOf(path: string): Promise<string> {
  const hash = createHash("sha256");
  await pipeline(createReadStream(path), hash);
  return hash.digest("hex");
}

async function letGo(path: string): Promise<void> {
  const dated = (await readdir(path)).flatMap((name) => readBackupName(name) ?? []);
  const keep = backupsToKeep(dated);
  for (const { name } of dated) if (!keep.has(name)) await rm(join(path, name), { force: true });
}

/**
 * Returns whether something has been missing at the second place for longer than it may be.
 *
 * @param now ms since 1970 UTC
 */
export function isOverdue(folder: string, now: number): boolean {
  const place = secondPlaceOf(folder);
  const [newest] = listBackups(folder);
  if (!place || !newest || (place.lastAt !== null && newest.at <= place.lastAt)) return false;
  return now - Math.max(place.lastAt ?? 0, place.setAt) > OVERDUE_MS;
}
