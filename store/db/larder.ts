import Database from "better-sqlite3";
import { drizzle, type BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { existsSync, mkdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { dropRules } from "../derived/index.ts";
import * as schema from "../schema/index.ts";
import { chainExistingLines } from "./chain.ts";
import { keepStatements } from "./statements.ts";
import { registerFunctions } from "./functions.ts";
import { hasTable, layoutOf, migrateTo, MIGRATIONS, newestLayout, refuseLaterLayout } from "./layout.ts";

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

/**
 * Returns the larder in a folder, created when there is none, and migrated to the newest layout. WAL with synchronous
 * FULL: what was acknowledged survives a power cut. Before a migration a copy is put in `backups/`. Throws LaterLayout
 * when a later version wrote it.
 *
 * @param folder data folder; `:memory:` for a larder that is gone when closed
 * @param now its clock, ms since 1970 UTC
 * @param migrations folder with the layouts
 */
export function openLarder(folder: string, now: () => number = Date.now, migrations = MIGRATIONS): Larder {
  const inMemory = folder === ":memory:";
  if (inMemory && emptyLarder && migrations === MIGRATIONS)
    return openedLarder(new Database(emptyLarder), BESIDE, now);
  if (!inMemory) mkdirSync(folder, { recursive: true });
  const path = inMemory ? ":memory:" : join(folder, "larder.db");
  const existed = !inMemory && existsSync(path);
  const sqlite = new Database(path);
  try {
    const db = prepare(sqlite, now, migrations, existed ? join(folder, "backups") : null);
    if (inMemory && migrations === MIGRATIONS) emptyLarder = sqlite.serialize();
    return { ...larderOf(sqlite, inMemory ? BESIDE : folder, now), db };
  } catch (error) {
    sqlite.close();
    throw error;
  }
}

/**
 * Returns an open database as a larder.
 *
 * @param folder where its files are
 * @param now its clock, ms since 1970 UTC
 */
export function larderOf(sqlite: Database.Database, folder: string, now: () => number): Larder {
  keepStatements(sqlite);
  return { db: drizzle(sqlite, { schema }), sqlite, folder, now, close: () => void sqlite.close() };
}

/**
 * Returns an open database that has its tables already as a larder, with its SQL functions registered.
 *
 * @param folder where its files are
 * @param now its clock, ms since 1970 UTC
 */
export function openedLarder(sqlite: Database.Database, folder: string, now: () => number): Larder {
  registerFunctions(sqlite);
  sqlite.pragma("foreign_keys = ON");
  return larderOf(sqlite, folder, now);
}

function prepare(
  sqlite: Database.Database,
  now: () => number,
  migrations: string,
  backups: string | null,
): Larder["db"] {
  // Asked first of all: a file that is a later program's, or none of ours, is not written to.
  refuseLaterLayout(sqlite, migrations);
  sqlite.pragma("journal_mode = WAL");
  sqlite.pragma("synchronous = FULL");
  sqlite.pragma("busy_timeout = 5000");
  registerFunctions(sqlite);
  const db = drizzle(sqlite, { schema });
  if (backups && layoutOf(sqlite) < newestLayout(migrations)) copyDatabase(sqlite, backups, now());
  migrateTo(db, sqlite, now(), { migrations });
  if (sqlite.pragma("user_version", { simple: true }) === 0 && hasTable(sqlite, "chain_link"))
    chainExistingLines(sqlite);
  sqlite.pragma("foreign_keys = ON");
  const broken = sqlite.pragma("foreign_key_check") as unknown[];
  if (broken.length > 0)
    throw new Error(`${broken.length} rows of the larder point at nothing; restore the newest backup`);
  return db;
}

/**
 * Returns a new empty database of a layout, without triggers, to be filled with exported rows. Throws Error when there
 * never was such a layout.
 *
 * @param layout number of migrations, ≥ 1
 */
export function emptyOfLayout(folder: string, layout: number): Database.Database {
  if (layout < 1 || layout > newestLayout()) throw new Error(`there is no layout ${layout}`);
  mkdirSync(folder, { recursive: true });
  const path = join(folder, "larder.db");
  const empty = emptyLayouts.get(layout) ?? madeInMemory(layout);
  emptyLayouts.set(layout, empty);
  writeFileSync(path, empty);
  const sqlite = new Database(path);
  registerFunctions(sqlite);
  return sqlite;
}

/** Empty databases by their layout: laying one out takes longer than writing it down. */
const emptyLayouts = new Map<number, Buffer>();

function madeInMemory(layout: number): Buffer {
  const sqlite = new Database(":memory:");
  registerFunctions(sqlite);
  migrateTo(drizzle(sqlite, { schema }), sqlite, 0, { layout });
  dropRules(sqlite);
  const made = sqlite.serialize();
  sqlite.close();
  return made;
}

/** Where a larder in memory would keep files. */
const BESIDE = join(tmpdir(), `larder-${process.pid}`);
/** The first larder in memory before anything was in it: the next ones begin as copies, without its migrations. */
let emptyLarder: Buffer | null = null;

/**
 * Writes a complete copy of the database, named by an instant. Returns its path.
 *
 * @param at ms since 1970 UTC
 */
export function copyDatabase(sqlite: Database.Database, folder: string, at: number): string {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, `larder-${new Date(at).toISOString().replaceAll(":", "")}.db`);
  sqlite.prepare("vacuum into ?").run(path);
  return path;
}
