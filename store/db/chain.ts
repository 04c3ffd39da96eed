import type Database from "better-sqlite3";
import { createHash } from "node:crypto";
import { AUDIT_COLUMNS, AUDIT_KNOWN, EVENT_COLUMNS, RUN_COLUMNS } from "../derived/index.ts";

/** A hash chain: the lines of one run's events, or of the audit, and the line they hang from. */
export interface Chain {
  /** id of the run; `audit` */
  name: string;
  /** the hash it begins with */
  start: string;
}

/**
 * Returns the hash of a line in a chain, 64 hexadecimal digits: SHA-256 over the hash before it and the line's columns
 * as JSON. JSON writes a number in the shortest form that reads back the same, so a line has the same hash on every
 * machine.
 *
 * Sources: FIPS 180-4 (SHA-256); ECMA-262 (JSON numbers).
 */
export function lineHash(before: string, ...columns: unknown[]): string {
  return createHash("sha256")
    .update(JSON.stringify([before, ...columns]))
    .digest("hex");
}

const list = (columns: readonly string[]) => columns.join(", ");

/** Returns the hash chains of a larder: that of the activity log, and one for each run. */
export function* chainsOf(sqlite: Database.Database): Generator<Chain> {
  yield { name: "audit", start: "" };
  const runs = sqlite
    .prepare(`select ${list(RUN_COLUMNS)} from run order by id`)
    .raw()
    .all() as unknown[][];
  for (const run of runs) yield { name: run[0] as string, start: lineHash("", ...run) };
}

/** Returns what the hashes of a chain must be, line by line, computed from the lines as they are now. */
export function* linesOf(sqlite: Database.Database, chain: Chain): Generator<{ seq: number; hash: string }> {
  const rows = (
    chain.name === "audit"
      ? sqlite
          .prepare(`select ${list(auditColumns(sqlite))} from audit order by id`)
          .raw()
          .iterate()
      : sqlite
          .prepare(`select ${list(EVENT_COLUMNS)} from run_event where run_id = ? order by seq`)
          .raw()
          .iterate(chain.name)
  ) as IterableIterator<unknown[]>;
  let before = chain.start;
  for (const row of rows) {
    // How a person was known is in the hash only of lines that say it.
    if (chain.name === "audit" && row.length > AUDIT_COLUMNS.length && row.at(-1) === null) row.pop();
    before = lineHash(before, ...row);
    yield { seq: row[0] as number, hash: before };
  }
}

/** A backup of an older layout does not know yet how a person was known. */
const auditColumns = (sqlite: Database.Database): readonly string[] =>
  sqlite.prepare("select 1 from pragma_table_info('audit') where name = ?").get(AUDIT_KNOWN)
    ? [...AUDIT_COLUMNS, AUDIT_KNOWN]
    : AUDIT_COLUMNS;

/** Chains the lines written before there were chains. It is done once, and recorded that it was. */
export function chainExistingLines(sqlite: Database.Database): void {
  const insert = sqlite.prepare("insert into chain_link (chain, seq, hash) values (?, ?, ?)");
  sqlite.transaction(() => {
    for (const chain of chainsOf(sqlite))
      for (const { seq, hash } of [...linesOf(sqlite, chain)]) insert.run(chain.name, seq, hash);
    sqlite.pragma("user_version = 1");
  })();
}
