import type Database from "better-sqlite3";
import { shortHash } from "#core/code";

/** How far a chain of the history had come: its last line then, and the hash of that line. */
export interface Head {
  /** id of the run; `audit` */
  chain: string;
  /** code of the run; `LOG` for the activity log */
  name: string;
  /** number of its last line */
  seq: number;
  /** 64 hexadecimal figures */
  hash: string;
}

export const LOG = "LOG";

const HEAD = `select l.chain, coalesce(r.code, '${LOG}') as name, l.seq, l.hash from chain_link l left join run r on r.id = l.chain`;

/**
 * Returns the head of a chain; null when nothing was written to it.
 *
 * @param chain id of a run, or `audit`
 */
export function headOf(sqlite: Database.Database, chain: string): Head | null {
  return (
    (sqlite.prepare(`${HEAD} where l.chain = ? order by l.seq desc limit 1`).get(chain) as
      Head | undefined) ?? null
  );
}

/** Returns the head of every chain: the activity log's first, then the runs' in the order of their codes. */
export function headsOf(sqlite: Database.Database): Head[] {
  const runs = sqlite.prepare("select id from run order by code").pluck().all() as string[];
  return ["audit", ...runs].flatMap((chain) => headOf(sqlite, chain) ?? []);
}

/** Returns a head as it is printed: what it is the head of, the number of its line, and the short code of its hash. */
export const headText = ({ name, seq, hash }: Head): string => `${name}/${seq}/${shortHash(hash)}`;

/** Returns a head as its QR code has it, with the whole hash. */
export const headLong = ({ name, seq, hash }: Head): string => `${name}/${seq}/${hash}`;

/** A head as somebody read it from paper. */
export interface PaperHead {
  name: string;
  seq: number;
  /** Whether a line's hash is the one on the paper. @param hash 64 hexadecimal figures */
  is(hash: string): boolean;
}

/**
 * Returns the head that a typed or scanned text means; null when it is none. Lower case, spaces and missing dashes do
 * not matter.
 */
export function readHead(text: string): PaperHead | null {
  const [, name, seq, code] =
    /^\s*([a-z0-9-]+)\s*\/\s*(\d{1,15})\s*\/\s*([0-9a-z -]+?)\s*$/i.exec(text) ?? [];
  if (!name || !seq || !code) return null;
  const bare = code.replaceAll(/[ -]/g, "");
  if (/^[0-9a-f]{64}$/i.test(bare))
    return { name: name.toUpperCase(), seq: Number(seq), is: (hash) => hash === bare.toLowerCase() };
  if (!/^[2-9a-hj-km-np-z]{20}$/i.test(bare)) return null;
  return {
    name: name.toUpperCase(),
    seq: Number(seq),
    is: (hash) => shortHash(hash).replaceAll("-", "") === bare.toUpperCase(),
  };
}
