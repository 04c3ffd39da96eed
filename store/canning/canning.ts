import { eq, isNull } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, refuse, Refused, type Larder, type Write } from "#store/db";
import { SAID_STEPS, type SaidStep } from "#core/canning";
import { CHECK_KEYS, type CheckKey } from "#core/check";
import { getCanner } from "#store/equipment";
import { askedOf, closeBench, getBench, openBench } from "#store/filling";
import { getLot } from "#store/lot";
import { permitPack } from "#store/pack";
import { canning, canningStep, type CanningWork } from "../schema/index.ts";

/** How long an answer of the equipment check stands for its load, ms. Common practice: the check is made on the day. */
const CHECK_STANDS_MS = 12 * 3_600_000;

export interface Canning {
  id: string;
  work: CanningWork;
  cannerId: string | null;
  benchId: string | null;
  openedAt: number;
  closedAt: number | null;
  /** steps that somebody said are done */
  said: Set<SaidStep>;
  /** answers of the equipment check that still stand, the newest of each item */
  found: Map<CheckKey, "sound" | "bad">;
}

/** Returns a guided canning. Throws Refused (404) when there is none of this id. */
export function getCanning(larder: Larder, id: string): Canning {
  const row = larder.db.select().from(canning).where(eq(canning.id, id)).get();
  return row ? assemble(larder, row) : refuse("This guided canning is not in the records.", 404);
}

/** Returns the guided cannings that nobody has closed, oldest first. */
export function openCannings(larder: Larder): Canning[] {
  return larder.db
    .select()
    .from(canning)
    .where(isNull(canning.closedAt))
    .orderBy(canning.openedAt, canning.id)
    .all()
    .map((row) => assemble(larder, row));
}

/** Returns the newest guided canning whose containers were filled; null when there is none. */
export function lastCanning(larder: Larder): Canning | null {
  const row = larder.sqlite
    .prepare("select id from canning where bench_id is not null order by opened_at desc, id desc limit 1")
    .pluck()
    .get() as string | undefined;
  return row ? getCanning(larder, row) : null;
}

function assemble(larder: Larder, row: typeof canning.$inferSelect): Canning {
  const steps = larder.db
    .select()
    .from(canningStep)
    .where(eq(canningStep.canningId, row.id))
    .orderBy(canningStep.at, canningStep.id)
    .all();
  const said = new Set<SaidStep>();
  const found = new Map<CheckKey, "sound" | "bad">();
  for (const s of steps) {
    if (isSaidStep(s.key)) {
      if (s.said === "undone") said.delete(s.key);
      else said.add(s.key);
    } else if (isCheckKey(s.key)) {
      if ((s.said === "sound" || s.said === "bad") && larder.now() - s.at < CHECK_STANDS_MS)
        found.set(s.key, s.said);
      else found.delete(s.key);
    }
  }
  const { id, work, cannerId, benchId, openedAt, closedAt } = row;
  return { id, work, cannerId, benchId, openedAt, closedAt, said, found };
}

const isSaidStep = (key: string): key is SaidStep => (SAID_STEPS as readonly string[]).includes(key);
const isCheckKey = (key: string): key is CheckKey => (CHECK_KEYS as readonly string[]).includes(key);

/** Begins to guide through a canning of these lots. Returns its id. Throws Refused when a lot is empty or on hold. */
export function beginCanning(larder: Larder, write: Write, lotIds: readonly string[]): { id: string } {
  return once(larder, write, "canning.begin", () => {
    if (lotIds.length === 0) throw new Refused({ lotId: "Choose what you will can." });
    for (const id of lotIds) {
      const lot = getLot(larder, id);
      if (lot.holds.length > 0)
        throw new Refused({ lotId: `Lot ${lot.code} is on hold (${lot.holds.join("; ")}).` }, 409);
      if (!(lot.leftKg > 0)) throw new Refused({ lotId: `Nothing is left of lot ${lot.code}.` }, 409);
    }
    const id = uuid();
    larder.db
      .insert(canning)
      .values({
        id,
        work: { lotIds: [...new Set(lotIds)], parts: [], layers: [] },
        openedAt: larder.now(),
        byId: write.byId,
      })
      .run();
    return { result: { id }, note: { kind: "canning", id, detail: { lotIds } } };
  });
}

/** What goes into which containers, for which canner. */
export interface JarsChosen {
  cannerId: string;
  parts: CanningWork["parts"];
  layers: CanningWork["layers"];
}

/**
 * Stores the containers and the canner of a guided canning, until they are being filled. Throws Refused when a part has no
 * tested process or the guards refuse it; frozen food is judged again when it is filled.
 */
export function chooseJars(larder: Larder, write: Write, id: string, chosen: JarsChosen): void {
  once(larder, write, "canning.choose", () => {
    const known = openOne(larder, id);
    if (known.benchId) refuse("These containers are being filled. Change them at the packing bench.", 409);
    if (chosen.parts.length === 0) throw new Refused({ "": "Choose at least one size of container." });
    getCanner(larder, chosen.cannerId);
    for (const part of chosen.parts) {
      const lot = getLot(larder, part.lotId);
      if (lot.kept === "fridge") permitPack(larder, askedOf(part, part.planned, null, true), lot);
    }
    const lotIds = [...new Set([...known.work.lotIds, ...chosen.parts.map((p) => p.lotId)])];
    const work = { lotIds, parts: chosen.parts, layers: chosen.layers };
    larder.db.update(canning).set({ work, cannerId: chosen.cannerId }).where(eq(canning.id, id)).run();
    return { result: null, note: { kind: "canning", id, detail: chosen } };
  });
}

/** Records that a step is done, or that it is not after all. */
export function sayStep(larder: Larder, write: Write, id: string, key: SaidStep, said: "done" | "undone"): void {
  once(larder, write, "canning.step", () => {
    openOne(larder, id);
    return append(larder, write, id, key, said);
  });
}

/** Records what was found of one item of the equipment check. It is written to the equipment's card when the load goes in. */
export function sayChecked(
  larder: Larder,
  write: Write,
  id: string,
  key: CheckKey,
  found: "sound" | "bad",
): void {
  once(larder, write, "canning.check", () => {
    openOne(larder, id);
    return append(larder, write, id, key, found);
  });
}

function append(
  larder: Larder,
  write: Write,
  canningId: string,
  key: string,
  said: typeof canningStep.$inferInsert.said,
) {
  larder.db
    .insert(canningStep)
    .values({ id: uuid(), canningId, key, said, at: larder.now(), byId: write.byId })
    .run();
  return { result: null, note: { kind: "canning", id: canningId, detail: { key, said } } };
}

/**
 * Brings the chosen containers to the packing bench. Returns its id; the same one when filling began before. Throws Refused
 * when the guards refuse a part as the food is now.
 */
export function startFilling(larder: Larder, write: Write, id: string): { benchId: string } {
  return once(larder, write, "canning.fill", () => {
    const known = openOne(larder, id);
    if (known.benchId) return { result: { benchId: known.benchId }, note: null };
    const { parts, layers } = known.work;
    if (parts.length === 0) throw new Refused({ "": "Choose the containers first." });
    const { id: benchId } = openBench(larder, write, { cannerId: known.cannerId, parts, layers });
    larder.db.update(canning).set({ benchId }).where(eq(canning.id, id)).run();
    return { result: { benchId }, note: { kind: "canning", id, detail: { benchId } } };
  });
}

/**
 * Ends the filling when every part has as many containers as were planned, or was ended before. Returns whether it is over.
 */
export function endFilling(larder: Larder, write: Write, benchId: string): boolean {
  const now = getBench(larder, benchId);
  if (now.closedAt !== null) return true;
  const over = now.parts.every((p) => p.done || p.containers.length >= p.planned);
  if (over) closeBench(larder, write, benchId);
  return over;
}

/** Ends the guiding. What was recorded of the load stays as it is. */
export function closeCanning(larder: Larder, write: Write, id: string): void {
  once(larder, write, "canning.close", () => {
    openOne(larder, id);
    larder.db.update(canning).set({ closedAt: larder.now() }).where(eq(canning.id, id)).run();
    return { result: null, note: { kind: "canning", id } };
  });
}

function openOne(larder: Larder, id: string): Canning {
  const known = getCanning(larder, id);
  return known.closedAt === null ? known : refuse("This guided canning was closed.", 409);
}
