import Database from "better-sqlite3";
import { copyFileSync, cpSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from "node:fs";
import { join } from "node:path";
import { v7 as uuid } from "uuid";
import { once, openLarder, refuseBeyondReach, Refused, type Larder, type Write } from "#store/db";
import { archiveStatements, recordedKeys } from "#store/witness";
import {
  backupFolder,
  backupPath,
  checkFile,
  checkHere,
  backupName,
  flushToDisk,
  makeBackup,
  oneAtATime,
  type Check,
} from "./copies.ts";

/** What a copy holds, beside what the larder holds now. */
export interface Preview {
  /** what is wrong with it; empty when it is sound */
  wrong: string[];
  counts: { what: string; then: number; now: number }[];
  /** last change in it */
  lastChangeAt: number | null;
  /** fingerprint of the key it was signed with, where that is not this larder's; null when it is, or it never was */
  otherKey: string | null;
}

const COUNTED: [string, string][] = [
  ["animals", "harvest"],
  ["lots", "lot"],
  ["runs", "run"],
  ["containers", "container"],
  ["changes", "audit"],
];

/**
 * Returns what restoring a backup would bring back and what it would lose, in rows; what is wrong with it, empty when
 * it is sound; and the fingerprint of another witness key it was signed with, else null. Throws Refused (404) when
 * there is none of this name.
 */
export async function previewBackup(
  larder: Larder,
  name: string,
  check: Check = checkHere,
): Promise<Preview> {
  const path = backupPath(larder.folder, name);
  const { wrong } = await check(path);
  if (wrong.length) return { wrong, counts: [], lastChangeAt: null, otherKey: null };
  const then = new Database(path, { readonly: true });
  try {
    const count = (db: Database.Database, table: string) =>
      db.prepare(`select count(*) from "${table}"`).pluck().get() as number;
    return {
      wrong,
      counts: COUNTED.map(([what, table]) => ({
        what,
        then: count(then, table),
        now: count(larder.sqlite, table),
      })),
      lastChangeAt: then.prepare("select max(at) from audit").pluck().get() as number | null,
      otherKey: recordedKeys(then).findLast((key) => !recordedKeys(larder.sqlite).includes(key)) ?? null,
    };
  } finally {
    then.close();
  }
}

/**
 * Replaces the larder with a backup. What was there is kept as a backup itself. Throws Refused when the backup is not
 * sound, or of a later layout.
 *
 * @param told who restores it and why, for its activity log
 */
export async function restoreBackup(
  larder: Larder,
  name: string,
  told: { write: Write; reason: string },
  check: Check = checkHere,
): Promise<void> {
  // Asked before anything is done: it is written down only when the older record is in place.
  refuseBeyondReach({ action: "larder.restore" });
  const path = backupPath(larder.folder, name);
  const { wrong } = await check(path);
  if (wrong.length) throw new Refused({ name: `${wrong.join(" ")} Nothing was changed.` }, 409);
  const folder = join(larder.folder, "arriving", uuid());
  mkdirSync(folder, { recursive: true });
  copyFileSync(path, join(folder, "larder.db"));
  // Brought to this program's layout before it takes the place of anything.
  openLarder(folder, larder.now).close();
  await replaceLarder(larder, folder, check, { ...told, copy: name });
}

/** That an older record takes the place of a newer one: by whom, from which backup and why. */
export interface Restored {
  write: Write;
  copy: string;
  reason: string;
}

/** Writes it into the activity log of the older one. */
function recordRestored(larder: Larder, { write, copy, reason }: Restored): void {
  once(larder, write, "larder.restore", () => ({
    result: null,
    note: { kind: "household", id: "1", detail: { copy, reason } },
  }));
}

/** Returns whether a larder holds nothing that an imported archive could overwrite. */
export function isEmpty(larder: Larder): boolean {
  return (
    larder.sqlite.prepare("select 1 from code_register union all select 1 from run limit 1").get() ===
    undefined
  );
}

/**
 * Replaces the larder in use with one that is complete in another folder, in one step: it is either as before or
 * entirely the other. What was there is kept in the backups. Whoever is signed in stays so, and no token that was
 * revoked since becomes valid again. Throws Refused when the other one is not sound.
 *
 * @param restored what the activity log says of it; null when it is the record of another larder, whose predecessor's
 *   signatures are archived
 */
export function replaceLarder(
  larder: Larder,
  folder: string,
  check: Check = checkHere,
  restored: Restored | null = null,
): Promise<void> {
  return oneAtATime(larder, () => replaceAtOnce(larder, folder, check, restored));
}

async function replaceAtOnce(
  larder: Larder,
  folder: string,
  check: Check,
  restored: Restored | null,
): Promise<void> {
  const { now } = larder;
  const target = join(larder.folder, "larder.db");
  const source = join(folder, "larder.db");
  await makeBackup(larder, "before-restore", check);
  carryKeys(larder, source, restored);
  if (existsSync(join(folder, "photos")))
    cpSync(join(folder, "photos"), join(larder.folder, "photos"), { recursive: true });
  flushToDisk(source);
  larder.sqlite.pragma("wal_checkpoint(TRUNCATE)");
  larder.close();
  try {
    // The old journal must not be read into the new file.
    if (existsSync(`${target}-wal`) && statSync(`${target}-wal`).size > 0)
      throw new Refused(
        { "": "Something else has the larder open. Stop it and try again. Nothing was changed." },
        409,
      );
    if (!restored) archiveStatements(larder.folder, now());
    renameSync(source, target);
    flushToDisk(larder.folder);
  } finally {
    const fresh = openLarder(larder.folder, now);
    Object.assign(larder, { db: fresh.db, sqlite: fresh.sqlite, close: fresh.close });
    rmSync(join(larder.folder, "arriving"), { recursive: true, force: true });
  }
}

/** Takes what must not go back along into the larder that comes: the passphrase and the tokens taken back since. */
function carryKeys(larder: Larder, source: string, restored: Restored | null): void {
  const next = openLarder(join(source, ".."), larder.now);
  // Before it takes the place: after it, a power cut could leave an older record that does not say so.
  if (restored) recordRestored(next, restored);
  const { sqlite } = next;
  const all = (sql: string) => larder.sqlite.prepare(sql).raw().all() as unknown[][];
  sqlite.transaction(() => {
    sqlite.exec("delete from session; delete from secret where name = 'passphrase'");
    for (const row of all("select name, hash, changed_at from secret where name = 'passphrase'"))
      sqlite.prepare("insert into secret (name, hash, changed_at) values (?, ?, ?)").run(row);
    for (const row of all(
      "select hash, former_hash, device, created_at, rotated_at, expires_at from session",
    ))
      sqlite
        .prepare(
          "insert into session (hash, former_hash, device, created_at, rotated_at, expires_at) values (?, ?, ?, ?, ?, ?)",
        )
        .run(row);
    const good = new Set(all("select id from device_token where revoked_at is null").flat());
    for (const id of sqlite.prepare("select id from device_token where revoked_at is null").pluck().all())
      if (!good.has(id))
        sqlite.prepare("update device_token set revoked_at = ? where id = ?").run(larder.now(), id);
  })();
  sqlite.pragma("wal_checkpoint(TRUNCATE)");
  next.close();
}

/**
 * Replaces a file that cannot be opened any more with a backup. The damaged file is kept beside the backups, since
 * something may still be read from it. Throws Refused (409) when the backup is not sound.
 *
 * @param at ms since 1970 UTC
 */
export function replaceDamaged(folder: string, name: string, at: number): void {
  const path = backupPath(folder, name);
  const wrong = checkFile(path);
  if (wrong.length) throw new Refused({ name: `${wrong.join(" ")} Choose another copy.` }, 409);
  const target = join(folder, "larder.db");
  const part = `${target}.part`;
  const ready = join(folder, "arriving", uuid());
  mkdirSync(ready, { recursive: true });
  copyFileSync(path, join(ready, "larder.db"));
  const larder = openLarder(ready, () => at);
  const write = { key: uuid(), byId: null };
  recordRestored(larder, { write, copy: name, reason: "The file was damaged." });
  larder.close();
  renameSync(join(ready, "larder.db"), part);
  rmSync(ready, { recursive: true });
  flushToDisk(part);
  for (const end of ["-wal", "-shm", ""]) {
    if (!existsSync(target + end)) continue;
    renameSync(target + end, join(backupFolder(folder), `damaged-${backupName(at, "before-restore")}${end}`));
  }
  renameSync(part, target);
  flushToDisk(folder);
}

/** Removes what a power cut left unfinished: backups without their name, archives unpacked in part. */
export function removePartialFiles(folder: string): void {
  for (const name of ["arriving", "leaving"]) rmSync(join(folder, name), { recursive: true, force: true });
  const part = join(folder, "larder.db.part");
  // A copy that was about to take the place of a damaged file does so now.
  if (existsSync(part) && !existsSync(join(folder, "larder.db")) && checkFile(part).length === 0)
    renameSync(part, join(folder, "larder.db"));
  rmSync(part, { force: true });
}
