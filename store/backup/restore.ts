import Database from "better-sqlite3";
import { copyFileSync, cpSync, existsSync, mkdirSync, renameSync, rmSync, statSync } from "node:fs";
import { join } from "node:path";
import { v7 as uuid } from "uuid";
import { openLarder, Refused, type Larder } from "#store/db";
import { backupFolder, backupPath, checkFile, nameOf, synced, takeBackup, type Check } from "./copies.ts";

/** What a copy holds, beside what the larder holds now. */
export interface Preview {
  /** what is wrong with it; empty when it is sound */
  wrong: string[];
  counts: { what: string; then: number; now: number }[];
  /** last change in it */
  lastChangeAt: number | null;
}

const COUNTED: [string, string][] = [
  ["animals", "harvest"],
  ["lots", "lot"],
  ["runs", "run"],
  ["containers", "container"],
  ["changes", "audit"],
];

/** What restoring a copy would bring, and what it would cost. */
export async function previewBackup(
  larder: Larder,
  name: string,
  check: Check = checkFile,
): Promise<Preview> {
  const path = backupPath(larder.folder, name);
  const wrong = await check(path);
  if (wrong.length) return { wrong, counts: [], lastChangeAt: null };
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
    };
  } finally {
    then.close();
  }
}

/** Puts a copy in the place of the larder. What was there is kept as a copy itself. */
export async function restoreBackup(larder: Larder, name: string, check: Check = checkFile): Promise<void> {
  const path = backupPath(larder.folder, name);
  const wrong = await check(path);
  if (wrong.length) throw new Refused({ name: `${wrong.join(" ")} Nothing was changed.` }, 409);
  const folder = join(larder.folder, "arriving", uuid());
  mkdirSync(folder, { recursive: true });
  copyFileSync(path, join(folder, "larder.db"));
  // Brought to this program's layout before it takes the place of anything.
  openLarder(folder, larder.now).close();
  await putInPlace(larder, folder, check);
}

/** Whether there is nothing in a larder that an archive could overwrite. */
export function isEmpty(larder: Larder): boolean {
  return (
    larder.sqlite.prepare("select 1 from code_register union all select 1 from run limit 1").get() ===
    undefined
  );
}

/**
 * Puts a larder that stands ready in a folder in the place of the one in use, at one stroke: until then everything is as
 * it was, after it everything is the other's. What was there is kept in the backups. Whoever has said the passphrase
 * stays inside, and no token that was taken back since comes back with an older record.
 */
export async function putInPlace(larder: Larder, folder: string, check: Check = checkFile): Promise<void> {
  const { now } = larder;
  const target = join(larder.folder, "larder.db");
  const source = join(folder, "larder.db");
  await takeBackup(larder, "before-restore", check);
  carryKeys(larder, source);
  if (existsSync(join(folder, "photos")))
    cpSync(join(folder, "photos"), join(larder.folder, "photos"), { recursive: true });
  synced(source);
  larder.sqlite.pragma("wal_checkpoint(TRUNCATE)");
  larder.close();
  try {
    // The old journal must not be read into the new file.
    if (existsSync(`${target}-wal`) && statSync(`${target}-wal`).size > 0)
      throw new Refused(
        { "": "Something else has the larder open. Stop it and try again. Nothing was changed." },
        409,
      );
    renameSync(source, target);
    synced(larder.folder);
  } finally {
    const fresh = openLarder(larder.folder, now);
    Object.assign(larder, { db: fresh.db, sqlite: fresh.sqlite, close: fresh.close });
    rmSync(join(larder.folder, "arriving"), { recursive: true, force: true });
  }
}

function carryKeys(larder: Larder, source: string): void {
  const next = openLarder(join(source, ".."), larder.now);
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
 * Puts a copy in the place of a file that cannot be opened any more. The damaged file is kept beside the copies, since
 * somebody may still read something out of it.
 */
export function replaceDamaged(folder: string, name: string, at: number): void {
  const path = backupPath(folder, name);
  const wrong = checkFile(path);
  if (wrong.length) throw new Refused({ name: `${wrong.join(" ")} Choose another copy.` }, 409);
  const target = join(folder, "larder.db");
  const part = `${target}.part`;
  copyFileSync(path, part);
  synced(part);
  for (const end of ["-wal", "-shm", ""]) {
    if (!existsSync(target + end)) continue;
    renameSync(target + end, join(backupFolder(folder), `damaged-${nameOf(at, "before-restore")}${end}`));
  }
  renameSync(part, target);
  synced(folder);
}

/** Clears away what a power cut left half done: copies that never got their name, archives half unpacked. */
export function clearHalfDone(folder: string): void {
  for (const name of ["arriving", "leaving"]) rmSync(join(folder, name), { recursive: true, force: true });
  const part = join(folder, "larder.db.part");
  // A copy that was about to take the place of a damaged file does so now.
  if (existsSync(part) && !existsSync(join(folder, "larder.db")) && checkFile(part).length === 0)
    renameSync(part, join(folder, "larder.db"));
  rmSync(part, { force: true });
}
