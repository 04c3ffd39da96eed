import { eq, isNull } from "drizzle-orm";
import { refuse, type Larder } from "#store/db";
import { SAID_STEPS, type SaidStep } from "#core/canning";
import { CHECK_KEYS, type CheckKey } from "#core/check";
import { getBench, type BenchNow } from "#store/filling";
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

/** Returns the load being filled for a guided canning, or that was; null before, and when all of it was undone. */
export function benchInHand(larder: Larder, known: Pick<Canning, "benchId">): BenchNow | null {
  if (known.benchId === null) return null;
  const bench = getBench(larder, known.benchId);
  return bench.closedAt !== null && bench.parts.every((p) => p.pack === null) ? null : bench;
}

/** Returns a guided canning that nobody has closed. Throws Refused (404, 409) when there is none of this id, or it was. */
export function openOne(larder: Larder, id: string): Canning {
  const known = getCanning(larder, id);
  return known.closedAt === null ? known : refuse("This guided canning was closed.", 409);
}
