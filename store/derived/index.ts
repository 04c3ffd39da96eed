/**
 * Everything the database keeps by itself, in one place: the triggers, the views, and what must hold of what they keep.
 * They are no part of any migration. Whenever a larder is opened they are held against this source and made anew where
 * they differ, so a change here is all it takes. It makes a new layout (`store/layout`), because a copy is asked for the
 * rules of its own.
 */
import type Database from "better-sqlite3";
import { createHash } from "node:crypto";
import { appendOnly } from "./append-only.ts";
import { chain } from "./chain.ts";
import { code } from "./code.ts";
import { container } from "./container.ts";
import { lot } from "./lot.ts";
import { pack } from "./pack.ts";
import { supply } from "./supply.ts";
import type { Invariant, Rule } from "./rule.ts";

export { AUDIT_COLUMNS, AUDIT_KNOWN, EVENT_COLUMNS, RUN_COLUMNS } from "./chain.ts";
export { type Invariant, type Rule } from "./rule.ts";

const ALL = [appendOnly, lot, supply, pack, container, code, chain];
const RULES: readonly Rule[] = ALL.flatMap((d) => d.rules);
/** What must hold of a larder's records, whatever was done to the file. */
export const INVARIANTS: readonly Invariant[] = ALL.flatMap((d) => d.invariants);

/** Returns the SHA-256 of all triggers and views, 64 hexadecimal digits; it changes when a rule does. */
export const rulesHash = (): string =>
  createHash("sha256")
    .update(RULES.map((r) => r.sql).join(";\n"))
    .digest("hex");

interface Kept {
  name: string;
  kind: Rule["kind"];
  sql: string;
}

const kept = (sqlite: Database.Database) =>
  sqlite
    .prepare("select name, type as kind, sql from sqlite_master where type in ('trigger', 'view')")
    .all() as Kept[];

/**
 * Returns the names of triggers and views that a database lacks, has in another form, or has besides; empty when it
 * has exactly these.
 */
export function ruleDifferences(sqlite: Database.Database): string[] {
  const there = new Map(kept(sqlite).map((k) => [k.name, k.sql]));
  const missing = RULES.filter((r) => there.get(r.name) !== r.sql).map((r) => r.name);
  const known = new Set(RULES.map((r) => r.name));
  return [...missing, ...[...there.keys()].filter((name) => !known.has(name))];
}

/** Drops every trigger and view: before tables are migrated, or filled with exported rows. */
export function dropRules(sqlite: Database.Database): void {
  for (const { kind, name } of kept(sqlite)) sqlite.exec(`DROP ${kind} "${name}"`);
}

/** Makes a database have exactly these triggers and views. */
export function applyRules(sqlite: Database.Database): void {
  if (ruleDifferences(sqlite).length === 0) return;
  sqlite.transaction(() => {
    dropRules(sqlite);
    for (const { sql } of RULES) sqlite.exec(sql);
  })();
}
