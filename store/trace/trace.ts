import { eq } from "drizzle-orm";
import { directShares, harvestSharesOfAll, type Flow } from "#core/trace";
import { readCode } from "#core/code";
import { refuse, type Larder } from "#store/db";
import { genealogy } from "#store/lot";
import { codeRegister } from "../schema/index.ts";

export type Kind = "harvest" | "lot" | "pack" | "run" | "container";

export interface TraceNode {
  code: string;
  kind: Kind;
  title: string;
  /** when it was made or happened, ms since 1970 UTC */
  at: number;
  /** share of each harvest in it, by code, adding up to 1; empty for harvests and runs */
  harvests: Record<string, number>;
}

export interface TraceEdge {
  from: string;
  to: string;
  /** fraction of `to` that came from `from` */
  share: number;
}

export interface Trace {
  root: string;
  nodes: TraceNode[];
  edges: TraceEdge[];
}

export type FoundCode =
  | { found: true; code: string; kind: Kind; id: string }
  | { found: false; message: string; meant: string | null };

/**
 * Returns what a code names. A code that does not read is answered with the one that was meant only where the check
 * character and what this larder holds leave exactly one.
 */
export function findCode(larder: Larder, text: string): FoundCode {
  const known = (code: string) =>
    larder.db.select().from(codeRegister).where(eq(codeRegister.code, code)).get();
  const reading = readCode(text);
  if (reading.ok) {
    const row = known(reading.code);
    if (row && !larder.sqlite.prepare(`select 1 from ${row.kind} where id = ?`).get(row.entityId))
      return {
        found: false,
        message: `${row.code} was taken apart again; its code is not used for anything else.`,
        meant: null,
      };
    if (row) return { found: true, code: row.code, kind: row.kind, id: row.entityId };
    return {
      found: false,
      message: `${reading.code} is a sound code, but nothing in this larder carries it.`,
      meant: null,
    };
  }
  const here = reading.candidates.filter((code) => known(code));
  const meant = reading.meant
    ? here.includes(reading.meant)
      ? reading.meant
      : null
    : here.length === 1
      ? here[0]!
      : null;
  return {
    found: false,
    message: meant ? `${reading.message} Most likely it was ${meant}.` : reading.message,
    meant,
  };
}

/**
 * Returns everything that went into and came out of what a code names, as a graph with shares, 0 to 1. Throws Refused
 * (404) when a pack was undone.
 */
export function traceGraph(larder: Larder, kind: Kind, id: string): Trace {
  const starts = kind === "run" ? packIdsOf(larder, id) : [id];
  const ids = relatives(larder, starts);
  const flows = flowsInto(larder, ids);
  const nodes = describe(larder, [...ids, ...(kind === "run" ? [id] : [])]);
  const runIds = new Set(
    [...nodes.values()].flatMap((n) => (n.runId && !nodes.has(n.runId) ? [n.runId] : [])),
  );
  for (const [runId, node] of describe(larder, [...runIds])) nodes.set(runId, node);
  const edges: TraceEdge[] = [];
  for (const [to, into] of directShares(flows)) {
    for (const [from, share] of into) {
      const a = nodes.get(from);
      const b = nodes.get(to);
      if (a && b) edges.push({ from: a.code, to: b.code, share });
    }
  }
  // What a merge brought in from outside is in no line of descent, and counts for the shares all the same.
  const outside = new Set(flows.map((f) => f.from).filter((from) => !ids.has(from)));
  const allFlows = outside.size ? flowsInto(larder, ancestors(larder, [...ids])) : flows;
  const made = [...nodes]
    .filter(([, n]) => n.kind !== "harvest" && n.kind !== "run")
    .map(([nodeId]) => nodeId);
  const shares = harvestSharesOfAll(made, allFlows);
  const harvestIds = new Set([...shares.values()].flatMap((of) => [...of.keys()]));
  const foreign = describe(
    larder,
    [...harvestIds].filter((h) => !nodes.has(h)),
  );
  for (const [nodeId, of] of shares)
    for (const [harvestId, share] of of) {
      const harvest = nodes.get(harvestId) ?? foreign.get(harvestId);
      if (harvest) nodes.get(nodeId)!.harvests[harvest.code] = share;
    }
  for (const [packId, node] of nodes) {
    const run = node.kind === "pack" && node.runId ? nodes.get(node.runId) : undefined;
    if (run) edges.push({ from: node.code, to: run.code, share: shareOfLoad(larder, packId, node.runId!) });
  }
  const root =
    nodes.get(id) ?? refuse("This was taken apart again; its code is not used for anything else.", 404);
  const inOrder = [...nodes.values()].sort((a, b) => a.at - b.at);
  return { root: root.code, nodes: inOrder.map(({ runId: _, ...node }) => node), edges };
}

function packIdsOf(larder: Larder, runId: string): string[] {
  return (larder.sqlite.prepare("select id from pack where run_id = ?").all(runId) as { id: string }[]).map(
    (r) => r.id,
  );
}

/** Share of a run's containers that one pack makes up. */
function shareOfLoad(larder: Larder, packId: string, runId: string): number {
  const row = larder.sqlite
    .prepare(
      `select sum(p.id = ?) * 1.0 / count(*) as share from container c join pack p on p.id = c.pack_id where p.run_id = ? and c.emptied_at is null`,
    )
    .get(packId, runId) as { share: number };
  return row.share;
}

/** The bare recursive SQL of a trace: ids of everything that went into and came out of some ids. */
export const RELATIVES_SQL = `with recursive ${genealogy("up")}, ${genealogy("down")}
  select id from up union select id from down`;

function idsOf(larder: Larder, sql: string, starts: readonly string[]): Set<string> {
  const rows = larder.sqlite
    .prepare(sql)
    .pluck()
    .all({ starts: JSON.stringify(starts) }) as string[];
  return new Set(rows);
}
const relatives = (larder: Larder, starts: readonly string[]) => idsOf(larder, RELATIVES_SQL, starts);
const ancestors = (larder: Larder, starts: readonly string[]) =>
  idsOf(larder, `with recursive ${genealogy("up")} select id from up`, starts);

/** Everything that flowed into any of some ids, from whatever source. A container is filled from its pack alone. */
export const FLOWS_SQL = `with ids(id) as (select value from json_each(?))
  select coalesce(f.from_harvest, f.from_lot) as "from", f.to_lot as "to", f.mass_kg as massKg from ids join lot_flow f on f.to_lot = ids.id
  union all select x.lot_id, x.pack_id, x.mass_kg from ids join pack_lot x on x.pack_id = ids.id
  union all select c.pack_id, c.id, 1.0 from ids join container c on c.id = ids.id
  union all select x.container_id, x.pack_id, sum(x.mass_kg) from ids join repacked x on x.pack_id = ids.id group by x.container_id, x.pack_id`;

function flowsInto(larder: Larder, ids: ReadonlySet<string>): Flow[] {
  return larder.sqlite.prepare(FLOWS_SQL).all(JSON.stringify([...ids])) as Flow[];
}

const DESCRIBE = `
  select id, code, 'harvest' as kind, species || case when count > 1 then ' × ' || count else '' end as title, created_at as at, null as runId from harvest where id in ids
  union all select id, code, 'lot', part || ', ' || form, made_at, null from lot where id in ids
  union all select id, code, 'pack', (select count(*) from container c where c.pack_id = pack.id and c.emptied_at is null) || ' × ' || container || ', ' || method || ' pack', made_at, run_id from pack where id in ids
  union all select c.id, c.code, 'container', p.container || ' no. ' || c.number || case when c.emptied_at is null then '' else ', emptied: bad seam' end, p.made_at, p.run_id from container c join pack p on p.id = c.pack_id where c.id in ids
  union all select r.id, r.code, 'run', n.name || ', ' || json_extract(r.plan, '$.minutes') || ' min', r.opened_at, r.id from run r join canner n on n.id = r.canner_id where r.id in ids`;

function describe(larder: Larder, ids: readonly string[]): Map<string, TraceNode & { runId: string | null }> {
  const sql = `with ids as (select value from json_each(?)) ${DESCRIBE}`;
  const rows = larder.sqlite.prepare(sql).all(JSON.stringify(ids)) as (Omit<TraceNode, "harvests"> & {
    id: string;
    runId: string | null;
  })[];
  return new Map(rows.map(({ id, ...node }) => [id, { ...node, harvests: {} }]));
}

/** Returns the ids of what codes name, by code; a code that names nothing is left out. */
export function entityIds(larder: Larder, codes: readonly string[]): Map<string, string> {
  const rows = larder.sqlite
    .prepare("select code, entity_id as id from code_register where code in (select value from json_each(?))")
    .all(JSON.stringify(codes)) as { code: string; id: string }[];
  return new Map(rows.map((r) => [r.code, r.id]));
}
