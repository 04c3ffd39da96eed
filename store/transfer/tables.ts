import type Database from "better-sqlite3";

export interface Column {
  name: string;
  type: "INTEGER" | "REAL" | "TEXT";
  required: boolean;
  /** place in the primary key, from 1; 0 when it is not part of it */
  key: number;
}

export interface Table {
  name: string;
  columns: Column[];
  foreign: { field: string; table: string; column: string }[];
}

/**
 * Never written out: the keys of the house, so that a copy of the record opens no door, and what tells of the file and
 * not of the larder.
 */
const KEPT_BACK = new Set(["secret", "session", "device_token", "layout_change"]);

/** Returns the tables that are exported, by name, as the database describes them. */
export function tablesOf(sqlite: Database.Database): Table[] {
  const names = sqlite
    .prepare(
      "select name from pragma_table_list where schema = 'main' and type = 'table' and name not like 'sqlite_%' and name not like '__drizzle%' order by name",
    )
    .pluck()
    .all() as string[];
  return names
    .filter((name) => !KEPT_BACK.has(name))
    .map((name) => ({
      name,
      columns: (
        sqlite
          .prepare(`select name, type, "notnull" as required, pk as key from pragma_table_info(?)`)
          .all(name) as { name: string; type: Column["type"]; required: number; key: number }[]
      ).map((c) => ({ ...c, required: c.required === 1 })),
      foreign: sqlite
        .prepare(
          `select "from" as field, "table", "to" as "column" from pragma_foreign_key_list(?) order by "from"`,
        )
        .all(name) as Table["foreign"],
    }));
}

/** Returns the columns of a table's primary key, in its order. */
export const keyOf = (table: Table): Column[] =>
  table.columns.filter((c) => c.key > 0).sort((a, b) => a.key - b.key);

/** Returns the order of a table's rows as SQL; it depends on nothing but their content. */
export function orderOf(table: Table): string {
  return keyOf(table)
    .map((c) => `"${c.name}"`)
    .join(", ");
}

/** Returns names as a SQL list of quoted identifiers. */
export const quoted = (names: readonly string[]) => names.map((n) => `"${n}"`).join(", ");
