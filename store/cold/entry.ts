import { v7 as uuid } from "uuid";
import { MINUTE_MS } from "#core/quantity";
import { once, refuse, refuseBeyondReach, Refused, type Larder, type Write } from "#store/db";
import type { LoggerRow } from "#core/cold";
import { getHarvest } from "#store/harvest";
import { coldEntry } from "../schema/index.ts";

export interface ColdRecord {
  id: string;
  at: number;
  tempC: number | null;
  place: string | null;
  source: "tap" | "file" | "probe";
  probe: string | null;
  byName: string | null;
}

/** Rows that still stand: those that were taken back, and the taking back itself, are left out. */
const STANDING = `(e.temp_c is not null or e.place is not null)
  and not exists (select 1 from cold_entry c where c.corrects = e.id)`;

/**
 * Returns the recorded places and temperatures of an animal, °C, oldest first.
 *
 * @param newest how many of the newest; all when left out
 */
export function coldEntries(larder: Larder, harvestId: string, newest = -1): ColdRecord[] {
  const rows = larder.sqlite
    .prepare(
      `select e.id, e.at, e.temp_c as tempC, e.place, e.source, e.probe, p.name as byName
       from cold_entry e left join person p on p.id = e.by_id
       where e.harvest_id = ? and ${STANDING} order by e.at desc, e.seq desc limit ?`,
    )
    .all(harvestId, newest) as ColdRecord[];
  return rows.reverse();
}

/** Returns every temperature of an animal as [ms since 1970 UTC, °C], oldest first; a logger may bring 100,000. */
export function coldReadings(larder: Larder, harvestId: string): [number, number][] {
  return larder.sqlite
    .prepare(
      `select e.at, e.temp_c from cold_entry e where e.harvest_id = ? and e.temp_c is not null and ${STANDING} order by e.at, e.seq`,
    )
    .raw()
    .all(harvestId) as [number, number][];
}

/** Returns how many temperatures were recorded of an animal. */
export function countColdEntries(larder: Larder, harvestId: string): number {
  const row = larder.sqlite
    .prepare(`select count(*) as n from cold_entry e where e.harvest_id = ? and ${STANDING}`)
    .get(harvestId) as { n: number };
  return row.n;
}

/**
 * Records where an animal was, how cold it was, or both. Throws Refused when the instant is in the future or the
 * temperature is impossible.
 *
 * @param input °C and ms since 1970 UTC; null where it was not said
 */
export function addColdEntry(
  larder: Larder,
  write: Write,
  input: { harvestId: string; at: number; tempC: number | null; place: string | null },
): void {
  once(larder, write, "cold.entry", () => {
    getHarvest(larder, input.harvestId);
    if (input.tempC === null && !input.place)
      throw new Refused({ temp: "Say where it is, or how cold, or both." });
    if (input.at > larder.now()) throw new Refused({ at: "That time is in the future. When was it?" });
    if (input.tempC !== null && (input.tempC < -60 || input.tempC > 60))
      throw new Refused({ temp: "No place for meat is that cold or that hot. Read it again." });
    larder.db
      .insert(coldEntry)
      .values({ id: uuid(), ...input, source: "tap", byId: write.byId })
      .run();
    return { result: null, note: { kind: "harvest", id: input.harvestId, detail: input } };
  });
}

/**
 * Strikes a wrong entry out. It stays in the record and is not read any more. Throws Refused when it is struck out
 * already.
 */
export function strikeColdEntry(larder: Larder, write: Write, entryId: string): void {
  once(larder, write, "cold.strike", () => {
    const known = larder.sqlite
      .prepare("select harvest_id as harvestId, at from cold_entry where id = ?")
      .get(entryId) as { harvestId: string; at: number } | undefined;
    if (!known) return refuse("There is no such entry.", 404);
    larder.db
      .insert(coldEntry)
      .values({
        id: uuid(),
        harvestId: known.harvestId,
        at: known.at,
        source: "tap",
        byId: write.byId,
        corrects: entryId,
      })
      .run();
    return { result: null, note: { kind: "harvest", id: known.harvestId, detail: { struck: entryId } } };
  });
}

/** Rows written in one go, so that the clocks of a run never wait for a long file. */
const CHUNK = 3000;

/**
 * Imports the readings of a logger file in small transactions, so that nothing else waits. The same probe at the same
 * instant is one reading, so importing again adds nothing and finishes what broke off. Returns how many were added and
 * how many were known.
 */
export async function importColdRows(
  larder: Larder,
  write: Write,
  harvestId: string,
  rows: readonly LoggerRow[],
): Promise<{ added: number; known: number }> {
  getHarvest(larder, harvestId);
  let added = 0;
  for (let from = 0; from < rows.length; from += CHUNK) {
    const part = rows.slice(from, from + CHUNK).map((r) => ({ ...r, id: `${harvestId} ${r.probe} ${r.at}` }));
    const insert = larder.sqlite.transaction(() => insertRows(larder, harvestId, part, "file", write.byId));
    added += insert.immediate();
    await new Promise((resolve) => setImmediate(resolve));
  }
  return once(larder, write, "cold.import", () => {
    const result = { added, known: rows.length - added };
    return { result, note: { kind: "harvest", id: harvestId, detail: result } };
  });
}

function insertRows(
  larder: Larder,
  harvestId: string,
  rows: readonly (LoggerRow & { id: string })[],
  source: "file" | "probe",
  byId: string | null,
): number {
  const insert = larder.sqlite.prepare(
    "insert into cold_entry (id, harvest_id, at, temp_c, source, probe, by_id) values (?, ?, ?, ?, ?, ?, ?) on conflict (id) do nothing",
  );
  let added = 0;
  for (const r of rows)
    added += insert.run(r.id, harvestId, r.at, r.tempC, source, r.probe || null, byId).changes;
  return added;
}

export interface ProbeReading {
  /** made where the reading was taken; the same again is a duplicate */
  id: string;
  at: number;
  tempC: number;
  probe: string | null;
}

/**
 * Adds readings of a probe, all or none. Returns how many were added and how many were duplicates. Throws Refused when
 * one cannot be.
 *
 * @param readings °C at ms since 1970 UTC
 */
export function addProbeReadings(
  larder: Larder,
  harvestId: string,
  readings: readonly ProbeReading[],
): { accepted: number; duplicates: number } {
  refuseBeyondReach({ tap: "reading" });
  return larder.sqlite
    .transaction(() => {
      getHarvest(larder, harvestId);
      const late = readings.findIndex((r) => r.at > larder.now() + MINUTE_MS);
      if (late >= 0) throw new Refused({ [`readings.${late}.at`]: "That time is in the future." });
      const accepted = insertRows(
        larder,
        harvestId,
        readings.map((r) => ({ ...r, probe: r.probe ?? "", id: `${harvestId} id ${r.id}` })),
        "probe",
        null,
      );
      return { accepted, duplicates: readings.length - accepted };
    })
    .immediate();
}
