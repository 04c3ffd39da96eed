import type Database from "better-sqlite3";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync } from "node:fs";
import { basename, join } from "node:path";
import { z } from "zod";
import { layoutOf, PROGRAM_VERSION, writeWhole } from "#store/db";
import { headOf, type Head } from "./heads.ts";
import { fingerprintOf, isSignedBy, type Witness } from "./key.ts";

/** Lines of one chain that a statement names at most: of more, every second, third, … and the last. */
const MARKS_AT_MOST = 500;
/** Figures of a line's hash a mark keeps: the head, with all 64, proves; a mark only shows where. */
const MARK_FIGURES = 16;

const Mark = z.tuple([z.int(), z.string().regex(/^[0-9a-f]{16}$/)]);
const Chain = z.object({
  chain: z.string().max(60),
  name: z.string().max(10),
  seq: z.int(),
  hash: z.string().regex(/^[0-9a-f]{64}$/),
  /** number and beginning of the hash of lines since the statement before */
  marks: z.array(Mark).max(MARKS_AT_MOST + 2),
});
const Statement = z.object({
  version: z.literal(1),
  /** ms since 1970 UTC, by the larder's clock */
  at: z.int(),
  program: z.string().max(40),
  layout: z.int(),
  /** SHA-256 of the statement before as it was signed; null for the first */
  previous: z.string().nullable(),
  /** the last line of all runs' events */
  events: z.int(),
  /** the chains that grew since the statement before; the activity log always */
  chains: z.array(Chain).max(100_000),
});
const Signed = z.object({
  statement: Statement,
  publicKey: z.string().max(200),
  signature: z.string().max(200),
});

export type Statement = z.output<typeof Statement>;
export type Signed = z.output<typeof Signed>;

/** A statement as it was found in a file. */
export interface Found {
  file: string;
  statement: Statement;
  fingerprint: string;
  /** whether the signature is of this statement and by the key that it names */
  sound: boolean;
}

const textOf = (statement: Statement) => JSON.stringify(statement);
const hashOf = (statement: Statement) => createHash("sha256").update(textOf(statement)).digest("hex");

/** Returns the path of the folder for signed statements beside a larder. */
export const statementFolder = (folder: string): string => join(folder, "witness");

/** Returns the paths of a larder's statements, oldest first. */
export function listStatements(folder: string): string[] {
  const at = statementFolder(folder);
  if (!existsSync(at)) return [];
  return readdirSync(at)
    .filter((name) => /^signed-.*\.json$/.test(name))
    .sort()
    .map((name) => join(at, name));
}

/** Returns a statement from its file. Throws Error when the file is none. */
export function readStatement(file: string): Found {
  let signed: Signed;
  try {
    signed = Signed.parse(JSON.parse(readFileSync(file, "utf8")));
  } catch {
    throw new Error(`${file} is no signature of a larder's history.`);
  }
  const { statement, publicKey, signature } = signed;
  const sound = isSignedBy(publicKey, textOf(statement), signature);
  return { file, statement, fingerprint: fingerprintOf(publicKey), sound };
}

/** The chains of a larder that grew since a statement, with marks on the way. */
function chainsSince(sqlite: Database.Database, before: Statement | null): Statement["chains"] {
  const log = before?.chains.find((c) => c.chain === "audit")?.seq ?? 0;
  const events = before?.events ?? 0;
  const runs = sqlite
    .prepare("select distinct run_id from run_event where seq > ? order by run_id")
    .pluck()
    .all(events) as string[];
  const heads = [headOf(sqlite, "audit"), ...runs.map((id) => headOf(sqlite, id))];
  return heads
    .filter((h): h is Head => h !== null)
    .map((h) => ({ ...h, marks: marksOf(sqlite, h.chain, h.chain === "audit" ? log : events) }));
}

function marksOf(
  sqlite: Database.Database,
  chain: string,
  after: number,
): Statement["chains"][number]["marks"] {
  const since = "from chain_link where chain = ? and seq > ?";
  const lines = sqlite.prepare(`select count(*) ${since}`).pluck().get(chain, after) as number;
  const step = Math.max(1, Math.ceil(lines / MARKS_AT_MOST));
  return sqlite
    .prepare(
      `select seq, substr(hash, 1, ${MARK_FIGURES}) from (select seq, hash, row_number() over (order by seq) as n ${since}) where n % ? = 0`,
    )
    .raw()
    .all(chain, after, step) as [number, string][];
}

/** Whether a statement is of the past this larder has: not where an older one took its place since. */
function isOfThis(sqlite: Database.Database, { chains, events }: Statement): boolean {
  const log = chains.find((c) => c.chain === "audit");
  const last = sqlite.prepare("select coalesce(max(seq), 0) from run_event").pluck().get() as number;
  const hash = sqlite
    .prepare("select hash from chain_link where chain = 'audit' and seq = ?")
    .pluck()
    .get(log?.seq ?? 0);
  return log !== undefined && hash === log.hash && events <= last;
}

/**
 * Returns a signed statement of what the history is.
 *
 * @param sqlite the larder's database, or a backup of it
 * @param earlier earlier statements, newest first; no more are read than needed
 * @param at ms since 1970 UTC
 */
export function signStatement(
  sqlite: Database.Database,
  witness: Witness,
  earlier: Iterable<Statement>,
  at: number,
): Signed {
  let last: Statement | null = null;
  let before: Statement | null = null;
  for (const statement of earlier) {
    last ??= statement;
    if (!isOfThis(sqlite, statement)) continue;
    before = statement;
    break;
  }
  const statement: Statement = {
    version: 1,
    at,
    program: PROGRAM_VERSION,
    layout: layoutOf(sqlite),
    previous: last ? hashOf(last) : null,
    events: sqlite.prepare("select coalesce(max(seq), 0) from run_event").pluck().get() as number,
    chains: chainsSince(sqlite, before),
  };
  return { statement, publicKey: witness.publicKey, signature: witness.sign(textOf(statement)) };
}

/** Returns a larder's earlier statements, newest first, each read when it is asked for. */
export function* earlierStatements(folder: string): Generator<Statement> {
  for (const path of listStatements(folder).reverse()) yield readStatement(path).statement;
}

/** Writes a statement beside the earlier ones. Returns its path. */
export function saveStatement(folder: string, signed: Signed): string {
  mkdirSync(statementFolder(folder), { recursive: true });
  const instant = new Date(signed.statement.at).toISOString().replaceAll(":", "");
  const path = join(statementFolder(folder), `signed-${instant}.json`);
  writeWhole(path, `${JSON.stringify(signed)}\n`, true);
  return path;
}

/**
 * Returns the statements that do not name the one before them as it is; empty when all do.
 *
 * @param found oldest first
 */
export function findGaps(found: readonly Found[]): Found[] {
  return found.filter((f, i) => f.statement.previous !== (i === 0 ? null : hashOf(found[i - 1]!.statement)));
}

/**
 * Moves the statements of a larder that was replaced by another into a folder of their own. Nothing is deleted.
 *
 * @param at ms since 1970 UTC
 */
export function archiveStatements(folder: string, at: number): void {
  if (listStatements(folder).length === 0) return;
  const away = join(statementFolder(folder), `before-${new Date(at).toISOString().replaceAll(":", "")}`);
  mkdirSync(away, { recursive: true });
  for (const path of listStatements(folder)) renameSync(path, join(away, basename(path)));
}
