import type Database from "better-sqlite3";
import { parse } from "csv-parse";
import { createReadStream, existsSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";
import { v7 as uuid } from "uuid";
import {
  LaterLayout,
  inconsistencies,
  emptyOfLayout,
  newestLayout,
  openLarder,
  Refused,
  integrityProblems,
} from "#store/db";
import { verifyLarder } from "#store/history";
import { textOfCell } from "./cell.ts";
import { pathOf, type Described } from "./package.ts";
import { keyOf, quoted, tablesOf, type Column, type Table } from "./tables.ts";
import { openArchive, type OpenArchive } from "./unpack.ts";

/** A larder made from an archive, whole and checked, beside the one in use. Nothing of that one is touched by it. */
export interface Arrived {
  /** folder with its larder.db and photos/ */
  folder: string;
  created: string;
  /** the layout it was made in */
  layout: number;
  /** rows by table */
  rows: Record<string, number>;
  photos: number;
  /** hash of the audit's last line */
  head: string | null;
}

/**
 * Reads an archive into a new larder in a folder of its own, checks it, and returns it: its layout, the type of every
 * cell, references, derived values, and every hash chain. One of an older layout is read into a database of that
 * layout and then migrated. Throws Refused with the reason; the folder is removed then.
 *
 * @param path of the archive
 * @param beside the folder in which a folder for it is made
 * @param now the clock, ms since 1970 UTC
 */
export async function readArchive(path: string, beside: string, now: () => number): Promise<Arrived> {
  const folder = join(beside, "arriving", uuid());
  const raw = join(folder, "raw");
  let archive: OpenArchive | null = null;
  let sqlite: Database.Database | null = null;
  try {
    archive = await openArchive(path);
    const { described } = archive;
    refuseLayout(described);
    sqlite = emptyOfLayout(folder, described.layout);
    // Its tables and columns are held against those of its layout before anything of it is unpacked.
    const tables = tablesOf(sqlite);
    refuseTables(described, tables);
    await archive.unpack(raw);
    const rows = await fill(sqlite, tables, raw);
    const wrong = inconsistencies(sqlite)[0];
    sqlite.close();
    if (wrong) throw changedSince(wrong);
    const head = broughtOver(folder, now);
    const photos = described.resources.filter((r) => r.path.startsWith("photos/")).length;
    if (existsSync(join(raw, "photos"))) renameSync(join(raw, "photos"), join(folder, "photos"));
    rmSync(raw, { recursive: true });
    return { folder, created: described.created, layout: described.layout, rows, photos, head };
  } catch (error) {
    sqlite?.close();
    rmSync(folder, { recursive: true, force: true });
    throw error;
  } finally {
    archive?.close();
  }
}

const changedSince = (why: string) =>
  new Refused({ archive: `This archive was changed after it was made. ${why} Nothing was changed.` });

/** Brings a filled database to this program's layout, and goes through its chains. @returns hash of the audit's last line */
function broughtOver(folder: string, now: () => number): string | null {
  const larder = openLarder(folder, now);
  try {
    const { broken, head } = verifyLarder(larder);
    const why = broken[0]?.what ?? integrityProblems(larder.sqlite)[0];
    if (why) throw changedSince(why);
    larder.sqlite.pragma("wal_checkpoint(TRUNCATE)");
    return head;
  } finally {
    larder.close();
    rmSync(join(folder, "backups"), { recursive: true, force: true });
  }
}

function refuseLayout({ layout, program }: Described): void {
  if (layout > newestLayout())
    throw new Refused({ archive: new LaterLayout(layout, program ?? null, "archive").message });
}

function refuseTables(described: Described, tables: readonly Table[]): void {
  const data = described.resources.filter((r) => r.path.startsWith("data/"));
  if (data.map((r) => r.path).join() !== tables.map(pathOf).join())
    throw new Refused({
      archive: `Its tables are not those of a larder of layout ${described.layout}. Nothing was changed.`,
    });
  for (const [i, table] of tables.entries()) {
    const named = data[i]!.schema?.fields.map((f) => f.name);
    if (named && named.join() !== table.columns.map((c) => c.name).join())
      throw new Refused({
        archive: `${pathOf(table)}: the columns are not those of this table in layout ${described.layout}. Nothing was changed.`,
      });
  }
}

async function fill(
  sqlite: Database.Database,
  tables: readonly Table[],
  raw: string,
): Promise<Record<string, number>> {
  sqlite.pragma("foreign_keys = OFF");
  sqlite.pragma("synchronous = OFF");
  sqlite.exec("begin immediate");
  const rows: Record<string, number> = {};
  for (const table of tables) rows[table.name] = await fillTable(sqlite, table, join(raw, pathOf(table)));
  sqlite.exec("commit");
  // Its lines come with their hashes.
  if (rows.chain_link !== undefined) sqlite.pragma("user_version = 1");
  sqlite.pragma("synchronous = FULL");
  return rows;
}

async function fillTable(sqlite: Database.Database, table: Table, path: string): Promise<number> {
  const names = table.columns.map((c) => c.name);
  const insert = sqlite.prepare(
    `insert into "${table.name}" (${quoted(names)}) values (${names.map(() => "?").join(", ")})`,
  );
  const key = keyOf(table);
  let count = -1;
  let before: (string | number | null)[] | null = null;
  const wrong = (why: string): never => {
    throw new Refused({ archive: `${pathOf(table)}, line ${count + 1}: ${why} Nothing was changed.` });
  };
  const rows = createReadStream(path).pipe(
    parse({
      cast: (value, { quoting }) => (value === "" && !quoting ? null : value),
      max_record_size: 4_000_000,
    }),
  );
  try {
    for await (const row of rows as AsyncIterable<(string | null)[]>) {
      if (++count === 0) {
        if (row.join() !== names.join()) wrong("the columns are not those of this table.");
        continue;
      }
      const values = table.columns.map((c, i) => {
        const value = valueOf(c, row[i] ?? null);
        return value === undefined
          ? wrong(`“${String(row[i]).slice(0, 40)}” is no ${KINDS[c.type]} (${c.name}).`)
          : value;
      });
      const at = key.map((c) => values[names.indexOf(c.name)]!);
      if (before && !inOrder(before, at)) wrong("the lines are not in their order.");
      before = at;
      insert.run(values);
    }
  } catch (error) {
    if (error instanceof Refused) throw error;
    wrong(`${(error as Error).message.split("\n")[0]}.`);
  }
  if (count < 0) wrong("there is nothing in it.");
  return count;
}

const KINDS = { INTEGER: "whole number", REAL: "number", TEXT: "text" } as const;

/** A cell as what its column holds; undefined when it is not that. */
function valueOf({ type, required }: Column, cell: string | null): string | number | null | undefined {
  if (cell === null) return required ? undefined : null;
  if (type === "TEXT") return textOfCell(cell);
  const number = Number(cell);
  if (cell.trim() === "" || !Number.isFinite(number)) return undefined;
  return type === "INTEGER" && !Number.isSafeInteger(number) ? undefined : number;
}

/** Whether a key comes after the one before it, as SQLite orders them: numbers by size, text by its bytes. */
function inOrder(a: readonly unknown[], b: readonly unknown[]): boolean {
  for (const [i, x] of a.entries()) {
    const y = b[i];
    const order =
      typeof x === "number" && typeof y === "number"
        ? x - y
        : Buffer.compare(Buffer.from(String(x)), Buffer.from(String(y)));
    if (order !== 0) return order < 0;
  }
  return false;
}
