import { chainsOf, linesOf, type Larder } from "#store/db";
import { runsWithWrongState } from "./run-state.ts";

/** Something that no longer fits. */
export interface Broken {
  /** code of the run; null for the audit */
  code: string | null;
  /** number of the first line that does not fit; null where a whole chain or its end is missing */
  seq: number | null;
  what: string;
}

export interface Verification {
  at: number;
  runs: number;
  lines: number;
  broken: Broken[];
  /** hash of the audit's last line: two copies of a larder that say the same of it hold the same past */
  head: string | null;
}

interface Link {
  seq: number;
  hash: string;
}

/**
 * Returns whether every hash chain fits the lines as they are now, and the first line that does not. A line that was
 * changed, removed or added later no longer fits; an end that was cut off shows by the activity log and the database's
 * own count.
 */
export function verifyLarder(larder: Larder): Verification {
  const { sqlite } = larder;
  const broken: Broken[] = [];
  const codes = new Map(sqlite.prepare("select id, code from run").raw().all() as [string, string][]);
  const linksOf = sqlite.prepare("select seq, hash from chain_link where chain = ? order by seq");
  const ends = endsInAudit(larder);
  let lines = 0;
  let runs = 0;
  let head: string | null = null;
  for (const chain of chainsOf(sqlite)) {
    const code = codes.get(chain.name) ?? null;
    const links = linksOf.all(chain.name) as Link[];
    let i = 0;
    let bad: Broken | null = null;
    for (const line of linesOf(sqlite, chain)) {
      lines++;
      const link = links[i++];
      bad ??= misfit(code, line, link);
    }
    if (!bad && i < links.length)
      bad = { code, seq: links[i]!.seq, what: `Line ${links[i]!.seq} was there and is gone.` };
    const end = ends.get(chain.name);
    if (!bad && end && !links.some((l) => l.seq === end.seq && l.hash === end.hash))
      bad = { code, seq: end.seq, what: "The run does not end as the audit says it ended." };
    if (bad) broken.push(bad);
    if (code === null) head = links.at(-1)?.hash ?? null;
    else runs++;
  }
  for (const chain of sqlite
    .prepare(
      "select distinct chain from chain_link where chain <> 'audit' and chain not in (select id from run)",
    )
    .pluck()
    .all() as string[])
    broken.push({ code: null, seq: null, what: `A run that was there is gone (${chain}).` });
  broken.push(...cutOff(larder));
  // Where a run's own lines were changed, that is what is said of it.
  const named = new Set(broken.map((b) => b.code));
  for (const code of runsWithWrongState(larder))
    if (!named.has(code))
      broken.push({ code, seq: null, what: "It says of itself what its own events do not." });
  return { at: larder.now(), runs, lines, broken, head };
}

function misfit(code: string | null, line: Link, link: Link | undefined): Broken | null {
  if (!link)
    return { code, seq: line.seq, what: `Line ${line.seq} has no hash: it was put in beside the program.` };
  if (link.seq > line.seq) return { code, seq: line.seq, what: `Line ${line.seq} was put in later.` };
  if (link.seq < line.seq) return { code, seq: link.seq, what: `Line ${link.seq} was there and is gone.` };
  return link.hash === line.hash
    ? null
    : { code, seq: line.seq, what: `Line ${line.seq}, or what it hangs from, is not what was written then.` };
}

/** How each ended run's chain ended, by the audit. A run that ended twice (something was added) has its last. */
function endsInAudit({ sqlite }: Larder): Map<string, Link> {
  const rows = sqlite
    .prepare("select entity_id, detail from audit where action = 'run.ended' order by id")
    .raw()
    .all() as [string, string][];
  return new Map(rows.map(([id, detail]) => [id, JSON.parse(detail) as Link]));
}

/** Ends that are missing by the database's own count of what it has numbered. */
function cutOff({ sqlite }: Larder): Broken[] {
  return (["audit", "run_event"] as const).flatMap((table) => {
    const counted = sqlite.prepare("select seq from sqlite_sequence where name = ?").pluck().get(table) as
      number | undefined;
    const last = sqlite
      .prepare(`select max(${table === "audit" ? "id" : "seq"}) from ${table}`)
      .pluck()
      .get() as number | null;
    return (counted ?? 0) === (last ?? 0)
      ? []
      : [{ code: null, seq: last, what: `The last lines of ${table} are gone: ${counted} were numbered.` }];
  });
}
