import { eq } from "drizzle-orm";
import { v7 as uuid } from "uuid";
import { once, Refused, type Larder, type Write } from "#store/db";
import {
  drillOf,
  markDrill,
  replayDrill,
  scoreOfMarks,
  type Deed,
  type DrillKey,
  type Mark,
} from "#core/drill";
import { drillResult } from "../schema/index.ts";

/** How a person has done at a drill. */
export interface DrillScore {
  drill: DrillKey;
  times: number;
  best: number;
  last: number;
}

/** Returns what a person has practiced: the best and newest score, 0 to 100, of each drill done. */
export function drillScores(larder: Larder, personId: string): DrillScore[] {
  const rows = larder.db
    .select({ drill: drillResult.drill, score: drillResult.score })
    .from(drillResult)
    .where(eq(drillResult.personId, personId))
    .orderBy(drillResult.seq)
    .all();
  const byDrill = new Map<DrillKey, DrillScore>();
  for (const row of rows) {
    const drill = row.drill as DrillKey;
    const before = byDrill.get(drill) ?? { drill, times: 0, best: 0, last: 0 };
    const best = Math.max(before.best, row.score);
    byDrill.set(drill, { drill, times: before.times + 1, best, last: row.score });
  }
  return [...byDrill.values()];
}

export interface DrillDone {
  drill: DrillKey;
  seed: number;
  /** where it was ended, s */
  endS: number;
  deeds: Deed[];
}

/**
 * Scores a drill, 0 to 100, by simulating it again from its actions, and stores the score. Throws Refused when nobody
 * is named or the actions are not in order.
 */
export function recordDrill(larder: Larder, write: Write, done: DrillDone): { score: number; marks: Mark[] } {
  return once(larder, write, "drill.done", () => {
    if (!write.byId) throw new Refused({ "": "Say who you are, so that your score is yours." });
    const drill = drillOf(done.drill);
    if (done.deeds.some((d, i) => d.s > done.endS || d.s < (done.deeds[i - 1]?.s ?? 0)))
      throw new Refused({ deeds: "What was done does not follow in time. Start the drill again." });
    const marks = markDrill(drill, replayDrill(drill, done.deeds, done.endS, done.seed));
    const score = scoreOfMarks(marks);
    larder.db
      .insert(drillResult)
      .values({
        id: uuid(),
        personId: write.byId,
        at: larder.now(),
        drill: done.drill,
        seed: done.seed,
        score,
        marks,
      })
      .run();
    return {
      result: { score, marks },
      note: { kind: "drill", id: write.byId, detail: { drill: done.drill, score } },
    };
  });
}
