import Database from "better-sqlite3";
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from "node:fs";
import { join } from "node:path";
import { v7 as uuid } from "uuid";
import { DAY_MS } from "#core/quantity";
import { LaterLayout, refuse, refuseLaterLayout, integrityProblems, type Larder } from "#store/db";
import { earlierStatements, ownWitness, saveStatement, signStatement, witnessOf } from "#store/witness";
import { BACKUP_REASONS, backupsToKeep, type BackupReason, type Dated } from "./rotation.ts";

export interface Copy extends Dated {
  bytes: number;
}

/** A backup that was just made. */
export interface Taken extends Copy {
  /** why it could not be signed; null when it is */
  unsigned: string | null;
}

const NAME = /^larder-(\d{4}-\d\d-\d\dT\d{6}\.\d{3}Z)(?:-([a-z-]+))?\.db$/;

/** Returns the path of the folder for backups beside a larder. */
export const backupFolder = (folder: string) => join(folder, "backups");

/** Returns when and why a backup was made, from its file name; null when it is not a backup's name. */
export function readBackupName(name: string): Dated | null {
  const [, instant, why = "before-update"] = NAME.exec(name) ?? [];
  if (!instant || !(BACKUP_REASONS as readonly string[]).includes(why)) return null;
  const iso = instant.replace(/T(\d\d)(\d\d)/, "T$1:$2:");
  return { name, at: Date.parse(iso), why: why as BackupReason };
}

/** Returns the backups in a larder's backup folder, newest first, with their sizes in bytes. */
export function listBackups(folder: string): Copy[] {
  const at = backupFolder(folder);
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .flatMap((name): Copy[] => {
      const dated = readBackupName(name);
      return dated ? [{ ...dated, bytes: statSync(join(at, name)).size }] : [];
    })
    .sort((a, b) => b.at - a.at);
}

/** What a signature is made for: the larder whose history is in the file, and when, by its clock, ms since 1970 UTC. */
export interface ToSign {
  folder: string;
  at: number;
}

/** What checking a file came to. */
export interface Checked {
  /** what is wrong with it; empty when it is sound */
  wrong: string[];
  /** why its history could not be signed; null when it was, or nobody asked */
  unsigned: string | null;
}

/** How a file is checked, and its history signed when it is sound: here, or in another process. */
export type Check = (path: string, sign?: ToSign) => Checked | Promise<Checked>;

/** Returns what is wrong with a larder file, looked at in this process; with `sign`, its history is signed too. */
export function checkHere(path: string, sign?: ToSign): Checked {
  const wrong = checkFile(path);
  return { wrong, unsigned: sign && wrong.length === 0 ? signFile(path, sign) : null };
}

const lastOf = new WeakMap<Larder, Promise<unknown>>();

/**
 * Returns what some work on the whole of a larder returns, begun when all that was asked for before is done: were the
 * larder replaced while a backup of it is being signed, the signature would be of a history that is not there any more.
 */
export function oneAtATime<T>(larder: Larder, work: () => Promise<T>): Promise<T> {
  const mine = (lastOf.get(larder) ?? Promise.resolve()).then(work);
  lastOf.set(
    larder,
    mine.catch(() => undefined),
  );
  return mine;
}

/**
 * Makes a backup while the larder stays in use (SQLite's online backup), checks it, signs its history, and only then
 * gives it its name. Older backups are removed by the rotation. Returns the backup and what was removed. Throws Error
 * when the backup is not sound; it is not kept. Backups of one larder are made one after another.
 */
export function takeBackup(larder: Larder, why: BackupReason, check: Check = checkHere): Promise<Taken> {
  return oneAtATime(larder, () => makeBackup(larder, why, check));
}

/** Makes a backup at once: for whoever has the larder to itself already. */
export async function makeBackup(larder: Larder, why: BackupReason, check: Check): Promise<Taken> {
  const folder = backupFolder(larder.folder);
  mkdirSync(folder, { recursive: true });
  const trouble = nameKey(larder);
  const part = join(folder, `${uuid()}.part`);
  try {
    await larder.sqlite.backup(part);
    // A copy is one file by itself, with no journal beside it.
    const copy = new Database(part);
    copy.pragma("journal_mode = DELETE");
    copy.close();
    const { wrong, unsigned } = await check(
      part,
      trouble ? undefined : { folder: larder.folder, at: larder.now() },
    );
    if (wrong.length) throw new Error(`the copy is not sound: ${wrong.join(" ")}`);
    const name = backupName(larder.now(), why);
    flushToDisk(part);
    renameSync(part, join(folder, name));
    flushToDisk(folder);
    rotate(larder.folder);
    return { ...listBackups(larder.folder).find((c) => c.name === name)!, unsigned: trouble ?? unsigned };
  } finally {
    for (const end of ["", "-wal", "-shm", "-journal"]) rmSync(part + end, { force: true });
  }
}

/** Has the activity log name the larder's key. @returns why there is none: a backup without a signature is better than none */
function nameKey(larder: Larder): string | null {
  try {
    ownWitness(larder);
    return null;
  } catch (error) {
    return (error as Error).message;
  }
}

/** Signs the history in a backup. @returns why it could not; null when it is signed */
function signFile(path: string, { folder, at }: ToSign): string | null {
  const copy = new Database(path, { readonly: true });
  try {
    flushToDisk(saveStatement(folder, signStatement(copy, witnessOf(folder), earlierStatements(folder), at)));
    return null;
  } catch (error) {
    return (error as Error).message;
  } finally {
    copy.close();
  }
}

/**
 * Returns the file name of a backup.
 *
 * @param at when it was made, ms since 1970 UTC
 */
export const backupName = (at: number, why: BackupReason) =>
  `larder-${new Date(at).toISOString().replaceAll(":", "")}-${why}.db`;

/** Returns what is wrong with a file that should be a larder, as sentences; empty when it is sound. */
export function checkFile(path: string): string[] {
  let sqlite: Database.Database | null = null;
  try {
    sqlite = new Database(path, { readonly: true, fileMustExist: true });
    refuseLaterLayout(sqlite);
    return integrityProblems(sqlite);
  } catch (error) {
    if (error instanceof LaterLayout) return [error.message];
    return [`It cannot be read as a larder (${(error as Error).message}).`];
  } finally {
    sqlite?.close();
  }
}

/** Removes the backups that the rotation does not keep. Returns their names. */
export function rotate(folder: string): string[] {
  const all = listBackups(folder);
  const keep = backupsToKeep(all);
  const gone = all.filter((c) => !keep.has(c.name)).map((c) => c.name);
  for (const name of gone) rmSync(join(backupFolder(folder), name), { force: true });
  return gone;
}

/** Returns the path of a backup. Throws Refused (404) when none has this name. */
export function backupPath(folder: string, name: string): string {
  if (!listBackups(folder).some((c) => c.name === name)) refuse("There is no such copy.", 404);
  return join(backupFolder(folder), name);
}

/** Returns whether a day has passed since the newest backup and something was written since. */
export function backupIsDue(larder: Larder): boolean {
  const [newest] = listBackups(larder.folder);
  const changed = larder.sqlite.prepare("select max(at) from write_key").pluck().get() as number | null;
  if (changed === null) return false;
  return !newest || (larder.now() - newest.at >= DAY_MS && changed > newest.at);
}

/** Waits until a file's or folder's content is on the disk, so that it survives a power cut. */
export function flushToDisk(path: string): void {
  const file = openSync(path, "r");
  try {
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
}
