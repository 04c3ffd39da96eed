import type Database from "better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import type { BetterSQLite3Database } from "drizzle-orm/better-sqlite3";
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { applyRules, dropRules } from "../derived/index.ts";
import { PROGRAM_FOLDER, PROGRAM_VERSION } from "./program.ts";

/**
 * A layout is how the tables lie: the first is 1, and each migration makes the next. The file says its own, and so does an
 * archive; each is read by its own layout first and brought to the newest afterwards.
 */
export const MIGRATIONS = join(PROGRAM_FOLDER, "store/migrations");

interface Journal {
  entries: unknown[];
}
const journalIn = (migrations: string) => join(migrations, "meta/_journal.json");
const journalOf = (migrations: string) => JSON.parse(readFileSync(journalIn(migrations), "utf8")) as Journal;

const newest = new Map<string, number>();

/** Returns the number of the newest layout this version knows, ≥ 1. */
export function newestLayout(migrations = MIGRATIONS): number {
  const known = newest.get(migrations) ?? journalOf(migrations).entries.length;
  newest.set(migrations, known);
  return known;
}

/** Returns the layout of a database, whole; 0 for an empty file. */
export function layoutOf(sqlite: Database.Database): number {
  return hasTable(sqlite, "__drizzle_migrations")
    ? (sqlite.prepare("select count(*) from __drizzle_migrations").pluck().get() as number)
    : 0;
}

/** Returns whether a database has a table of this name. */
export const hasTable = (sqlite: Database.Database, table: string): boolean =>
  sqlite.prepare("select 1 from sqlite_master where type = 'table' and name = ?").get(table) !== undefined;

/** A larder, or an archive of one, was written by a later program than this one. Nothing was changed. */
export class LaterLayout extends Error {
  constructor(
    readonly layout: number,
    /** the version that wrote it; null when it does not say */
    readonly program: string | null,
    what: "larder" | "archive" = "larder",
  ) {
    super(
      `This ${what} was written by a later version of the program (${program ? `version ${program}, ` : ""}layout ${layout}). This is version ${PROGRAM_VERSION}, layout ${newestLayout()}. Install version ${program ?? "that wrote it"} or later. Nothing was changed.`,
    );
    this.name = "LaterLayout";
  }
}

/** Throws LaterLayout when a database has a layout that this version does not know. */
export function refuseLaterLayout(sqlite: Database.Database, migrations = MIGRATIONS): void {
  const layout = layoutOf(sqlite);
  if (layout > newestLayout(migrations)) throw new LaterLayout(layout, programOf(sqlite));
}

/** Returns the version that migrated a database last; null when that was not recorded yet. */
export function programOf(sqlite: Database.Database): string | null {
  if (!hasTable(sqlite, "layout_change")) return null;
  return (
    (sqlite.prepare("select program from layout_change order by layout desc limit 1").pluck().get() as
      string | undefined) ?? null
  );
}

/**
 * Migrates a database up to a layout. Triggers and views are removed meanwhile; with the newest layout they are
 * created from `store/derived`.
 *
 * @param at ms since 1970 UTC
 */
export function migrateTo(
  db: BetterSQLite3Database<Record<string, unknown>>,
  sqlite: Database.Database,
  at: number,
  { layout, migrations = MIGRATIONS }: { layout?: number; migrations?: string } = {},
): void {
  const last = newestLayout(migrations);
  const wanted = layout ?? last;
  if (layoutOf(sqlite) < wanted) {
    dropRules(sqlite);
    const folder = wanted < last ? upToLayout(migrations, wanted) : migrations;
    // A table that is rebuilt must not trip over rows that point at it while it is away.
    sqlite.pragma("foreign_keys = OFF");
    migrate(db, { migrationsFolder: folder });
    if (folder !== migrations) rmSync(folder, { recursive: true });
    if (hasTable(sqlite, "layout_change"))
      sqlite
        .prepare("insert or ignore into layout_change (layout, program, at) values (?, ?, ?)")
        .run(wanted, PROGRAM_VERSION, at);
  }
  if (wanted >= newestLayout()) applyRules(sqlite);
}

/** The migrations up to a layout, in a folder of their own. */
function upToLayout(migrations: string, layout: number): string {
  const folder = mkdtempSync(join(tmpdir(), "larder-layout-"));
  cpSync(migrations, folder, { recursive: true });
  const journal = journalOf(folder);
  writeFileSync(journalIn(folder), JSON.stringify({ ...journal, entries: journal.entries.slice(0, layout) }));
  return folder;
}
