import type Database from "better-sqlite3";
import { chainsOf, linesOf } from "#store/db";
import { LOG, type PaperHead } from "./heads.ts";
import type { Found } from "./statement.ts";

/** What is known of one line from outside the larder. */
interface Point {
  seq: number;
  is(hash: string): boolean;
  /** the statement's place in time, ms since 1970 UTC; null for a paper, which says none */
  at: number | null;
}

/** A chain that is not what it was when it was printed or signed. */
export interface Departure {
  /** code of the run; null for the activity log */
  code: string | null;
  /** the last line that is still what it was; 0 when none is known to be */
  after: number;
  /** the first line known to be another: where these two follow each other, it is this one */
  by: number;
}

/** What comparing a history with papers and signatures came to. */
export interface Compared {
  departures: Departure[];
  /** how many lines were compared */
  points: number;
  /** statements of what was replaced since, when an older backup was put in its place: their files */
  replaced: string[];
  /** papers that name a run which is not in this larder */
  unknown: string[];
}

/**
 * Returns whether a larder's history, hashed again from its lines as they are now, agrees with what was printed of it
 * and signed, and the first line that does not. The caller has checked that the signatures are valid and by a trusted
 * key.
 *
 * @param sqlite the larder's database
 */
export function compareHistory(
  sqlite: Database.Database,
  papers: readonly PaperHead[],
  statements: readonly Found[],
): Compared {
  const runs = new Map(sqlite.prepare("select code, id from run").raw().all() as [string, string][]);
  const spans = replacedSpans(sqlite);
  const replaced = statements.filter(({ statement: { at } }) => spans.some((s) => at > s.from && at <= s.to));
  const points = new Map<string, Point[]>();
  const add = (chain: string, point: Point) => points.set(chain, [...(points.get(chain) ?? []), point]);
  for (const { statement } of statements.filter((s) => !replaced.includes(s)))
    for (const { chain, seq, hash, marks } of statement.chains) {
      add(chain, { seq, is: (h) => h === hash, at: statement.at });
      for (const [n, begins] of marks)
        add(chain, { seq: n, is: (h) => h.startsWith(begins), at: statement.at });
    }
  const unknown: string[] = [];
  for (const { name, seq, is } of papers) {
    const chain = name === LOG ? "audit" : runs.get(name);
    if (chain) add(chain, { seq, is, at: null });
    else unknown.push(name);
  }
  const codes = new Map([...runs].map(([code, id]) => [id, code]));
  const departures: Departure[] = [];
  const there = new Map([...chainsOf(sqlite)].map((c) => [c.name, c]));
  let count = 0;
  for (const [name, known] of points) {
    count += known.length;
    const chain = there.get(name);
    const departure = chain
      ? departureOf(linesOf(sqlite, chain), known)
      : { after: 0, by: Math.min(...known.map((p) => p.seq)) };
    if (departure)
      departures.push({ code: name === "audit" ? null : (codes.get(name) ?? name), ...departure });
  }
  return { departures, points: count, replaced: replaced.map((r) => r.file), unknown };
}

function departureOf(
  lines: Iterable<{ seq: number; hash: string }>,
  known: readonly Point[],
): Omit<Departure, "code"> | null {
  const left = new Map<number, Point[]>();
  for (const p of known) left.set(p.seq, [...(left.get(p.seq) ?? []), p]);
  let after = 0;
  for (const { seq, hash } of lines) {
    const here = left.get(seq);
    if (!here) continue;
    left.delete(seq);
    const missing = [...left.keys()].filter((n) => n < seq);
    if (missing.length) return { after, by: Math.min(...missing) };
    if (here.some((p) => !p.is(hash))) return { after, by: seq };
    after = seq;
  }
  return left.size ? { after, by: Math.min(...left.keys()) } : null;
}

/** Spans of time whose record was replaced by an older one: from the last line that came back to the deed itself. */
function replacedSpans(sqlite: Database.Database): { from: number; to: number }[] {
  return sqlite
    .prepare(
      `select coalesce((select max(b.at) from audit b where b.id < a.id), 0) as "from", a.at as "to"
       from audit a where a.action = 'larder.restore'`,
    )
    .all() as { from: number; to: number }[];
}
