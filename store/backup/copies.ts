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
import { refuse, unsoundness, type Larder } from "#store/db";
import { BACKUP_REASONS, kept, type BackupReason, type Dated } from "./rotation.ts";

export interface Copy extends Dated {
  bytes: number;
}

const NAME = /^larder-(\d{4}-\d\d-\d\dT\d{6}\.\d{3}Z)(?:-([a-z-]+))?\.db$/;

export const backupFolder = (folder: string) => join(folder, "backups");

/** The copies in a larder's backup folder, newest first. */
export function listBackups(folder: string): Copy[] {
  const at = backupFolder(folder);
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .flatMap((name): Copy[] => {
      const [, instant, why = "before-update"] = NAME.exec(name) ?? [];
      if (!instant || !(BACKUP_REASONS as readonly string[]).includes(why)) return [];
      const iso = instant.replace(/T(\d\d)(\d\d)/, "T$1:$2:");
      return [{ name, at: Date.parse(iso), why: why as BackupReason, bytes: statSync(join(at, name)).size }];
    })
    .sort((a, b) => b.at - a.at);
}

/** How a file is looked at: here, or in another process. */
export type Check = (path: string) => string[] | Promise<string[]>;

/**
 * Makes a copy while the larder goes on (SQLite's online backup), opens it and checks it, and only then gives it its
 * name. Older ones go as the rotation says.
 * @throws Error when the copy is not sound; it is not kept then
 */
export async function takeBackup(larder: Larder, why: BackupReason, check: Check = checkFile): Promise<Copy> {
  const folder = backupFolder(larder.folder);
  mkdirSync(folder, { recursive: true });
  const part = join(folder, `${uuid()}.part`);
  try {
    await larder.sqlite.backup(part);
    // A copy is one file by itself, with no journal beside it.
    const copy = new Database(part);
    copy.pragma("journal_mode = DELETE");
    copy.close();
    const wrong = await check(part);
    if (wrong.length) throw new Error(`the copy is not sound: ${wrong.join(" ")}`);
    const name = nameOf(larder.now(), why);
    synced(part);
    renameSync(part, join(folder, name));
    synced(folder);
    rotate(larder.folder);
    return listBackups(larder.folder).find((c) => c.name === name)!;
  } finally {
    for (const end of ["", "-wal", "-shm", "-journal"]) rmSync(part + end, { force: true });
  }
}

export const nameOf = (at: number, why: BackupReason) =>
  `larder-${new Date(at).toISOString().replaceAll(":", "")}-${why}.db`;

/** What is wrong with a file that should be a larder; empty when it is sound. */
export function checkFile(path: string): string[] {
  let sqlite: Database.Database | null = null;
  try {
    sqlite = new Database(path, { readonly: true, fileMustExist: true });
    // A copy of an older layout cannot be asked whether it agrees with itself.
    return unsoundness(sqlite, sqlite.pragma("user_version", { simple: true }) === 1);
  } catch (error) {
    return [`It cannot be read as a larder (${(error as Error).message}).`];
  } finally {
    sqlite?.close();
  }
}

/** Lets go of copies the rotation does not keep. */
export function rotate(folder: string): string[] {
  const all = listBackups(folder);
  const keep = kept(all);
  const gone = all.filter((c) => !keep.has(c.name)).map((c) => c.name);
  for (const name of gone) rmSync(join(backupFolder(folder), name), { force: true });
  return gone;
}

/** Path of a copy by its name. @throws Refused when there is none of that name */
export function backupPath(folder: string, name: string): string {
  if (!listBackups(folder).some((c) => c.name === name)) refuse("There is no such copy.", 404);
  return join(backupFolder(folder), name);
}

/** Whether a day has passed since the newest copy, and something was written since. */
export function backupIsDue(larder: Larder): boolean {
  const [newest] = listBackups(larder.folder);
  const changed = larder.sqlite.prepare("select max(at) from write_key").pluck().get() as number | null;
  if (changed === null) return false;
  return !newest || (larder.now() - newest.at >= 86_400_000 && changed > newest.at);
}

/** What a file or folder says survives a power cut from here on. */
export function synced(path: string): void {
  const file = openSync(path, "r");
  try {
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
}
