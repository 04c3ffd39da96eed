import Database from "better-sqlite3";
import { drizzle, type BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { existsSync, mkdirSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import * as schema from "../schema/index.ts";
import { linkOldLines, teachHashing } from "./chain.ts";

/** An open larder: its database, and the clock everything in it is stamped by. */
export interface Larder {
  db: BetterSQLite3Database<typeof schema>;
  sqlite: Database.Database;
  /** where files that belong to it are kept beside the database */
  folder: string;
  /** ms since 1970 UTC */
  now(): number;
  close(): void;
}

const MIGRATIONS = resolve("store/migrations");

/**
 * Opens the larder in a folder, making it when there is none, and brings it to the newest schema.
 *
 * WAL with synchronous FULL: what was acknowledged survives a power cut. Before a migration touches a larder that
 * already holds something, a copy is put in `backups/` beside it.
 * @param folder data folder; `:memory:` for a larder that is gone when closed
 * @param now the clock, ms since 1970 UTC
 */
export function openLarder(folder: string, now: () => number = Date.now, migrations = MIGRATIONS): Larder {
  const inMemory = folder === ":memory:";
  if (inMemory && emptyLarder && migrations === MIGRATIONS) return copyOf(emptyLarder, now);
  if (!inMemory) mkdirSync(folder, { recursive: true });
  const path = inMemory ? ":memory:" : join(folder, "larder.db");
  const existed = !inMemory && existsSync(path);
  const sqlite = new Database(path);
  sqlite.pragma("journal_mode = WAL");
  sqlite.pragma("synchronous = FULL");
  sqlite.pragma("busy_timeout = 5000");
  teachHashing(sqlite);
  const db = drizzle(sqlite, { schema });
  if (existed && pendingMigrations(sqlite, migrations) > 0) backUp(sqlite, join(folder, "backups"), now());
  // A table that is rebuilt must not trip over rows that point at it while it is away.
  sqlite.pragma("foreign_keys = OFF");
  migrate(db, { migrationsFolder: migrations });
  if (sqlite.pragma("user_version", { simple: true }) === 0 && hasTable(sqlite, "chain_link"))
    linkOldLines(sqlite);
  sqlite.pragma("foreign_keys = ON");
  const broken = sqlite.pragma("foreign_key_check") as unknown[];
  if (broken.length > 0)
    throw new Error(`${broken.length} rows of the larder point at nothing; restore the newest backup`);
  if (inMemory && migrations === MIGRATIONS) emptyLarder = sqlite.serialize();
  return { db, sqlite, folder: inMemory ? BESIDE : folder, now, close: () => sqlite.close() };
}

/** Where a larder in memory would keep files. */
const BESIDE = join(tmpdir(), `larder-${process.pid}`);
/** The first larder in memory before anything was in it: the next ones begin as copies, without its migrations. */
let emptyLarder: Buffer | null = null;

function copyOf(empty: Buffer, now: () => number): Larder {
  const sqlite = new Database(empty);
  teachHashing(sqlite);
  sqlite.pragma("foreign_keys = ON");
  return { db: drizzle(sqlite, { schema }), sqlite, folder: BESIDE, now, close: () => sqlite.close() };
}

function hasTable(sqlite: Database.Database, name: string): boolean {
  return (
    sqlite.prepare("select 1 from sqlite_master where type = 'table' and name = ?").get(name) !== undefined
  );
}

/** How many migrations of the folder this database has not had. */
function pendingMigrations(sqlite: Database.Database, folder: string): number {
  const journal = JSON.parse(readFileSync(join(folder, "meta/_journal.json"), "utf8")) as {
    entries: unknown[];
  };
  const applied = hasTable(sqlite, "__drizzle_migrations")
    ? (sqlite.prepare("select count(*) as n from __drizzle_migrations").get() as { n: number }).n
    : 0;
  return journal.entries.length - applied;
}

/** Writes a complete copy of the database, named by the instant. @returns its path */
export function backUp(sqlite: Database.Database, folder: string, at: number): string {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, `larder-${new Date(at).toISOString().replaceAll(":", "")}.db`);
  sqlite.prepare("vacuum into ?").run(path);
  return path;
}
