import type Database from "better-sqlite3";
import { INVARIANTS, ruleDifferences } from "../derived/index.ts";
import { layoutOf, newestLayout } from "./layout.ts";

/** How many of what does not agree are named. */
const NAMED = 3;

/**
 * Returns what is wrong with a database, as sentences: records that contradict each other, and rules of its layout
 * that are missing. Empty when it is sound.
 */
export function integrityProblems(sqlite: Database.Database): string[] {
  const wrong = inconsistencies(sqlite);
  // What a file of an older layout keeps by itself is its program's affair.
  const stray = layoutOf(sqlite) === newestLayout() ? ruleDifferences(sqlite) : [];
  if (stray.length) wrong.push(`Rules it keeps by itself are missing or changed${among(stray)}.`);
  return wrong;
}

/**
 * Returns what is wrong with the records of a database, as sentences: SQLite's own check of the file, references to
 * nothing, and derived values that differ from their records. A database of an older layout is asked what can be asked
 * of that.
 */
export function inconsistencies(sqlite: Database.Database): string[] {
  const integrity = integrityOf(sqlite);
  if (integrity !== "ok") return [`The file is damaged: ${integrity}.`];
  const wrong: string[] = [];
  const pointless = sqlite.pragma("foreign_key_check") as { table: string }[];
  if (pointless.length)
    wrong.push(
      `${pointless.length} rows point at nothing (${[...new Set(pointless.map((r) => r.table))].join(", ")}).`,
    );
  const layout = layoutOf(sqlite);
  for (const { wrong: what, sql, since } of INVARIANTS) {
    if (layout < since) continue;
    const codes = sqlite
      .prepare(`select * from (${sql}) limit ${NAMED + 1}`)
      .pluck()
      .all() as (string | null)[];
    if (codes.length > 0) wrong.push(`It does not agree with itself: ${what}${among(codes)}.`);
  }
  return wrong;
}

/** `ok`, or what SQLite finds wrong with the file; what it cannot even look for is that as well. */
function integrityOf(sqlite: Database.Database): string {
  try {
    return String(sqlite.pragma("integrity_check(3)", { simple: true }));
  } catch (error) {
    if (!(error as { code?: string }).code?.startsWith("SQLITE_CORRUPT")) throw error;
    return (error as Error).message;
  }
}

function among(codes: readonly (string | null)[]): string {
  const named = codes.filter((c) => c !== null).slice(0, NAMED);
  return named.length ? ` (${named.join(", ")}${codes.length > NAMED ? " and more" : ""})` : "";
}
