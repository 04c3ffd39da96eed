/** What trace and recall cost in a lifetime of jars. */
import { DOUBTS } from "#core/recall";
import { openLarder } from "#store/db";
import { SHARING_SQL, containersSharing } from "#store/recall";
import { FLOWS_SQL, RELATIVES_SQL, traceGraph } from "#store/trace";
import { medianMs } from "./measure.ts";

export interface TraceFigures {
  traceMs: number;
  traceBareMs: number;
  recallMs: number;
  recallBareMs: number;
  /** containers an average recall finds */
  found: number;
}

/** Trace and recall in a larder against the bare recursive SQL of the same answers, over so many containers across its years. */
export async function traceFigures(folder: string, looks = 40): Promise<TraceFigures> {
  const larder = openLarder(folder);
  try {
    const every = larder.sqlite.prepare("select id from container order by rowid").pluck().all() as string[];
    const some = Array.from(
      { length: looks },
      (_, i) => every[Math.floor((every.length * (i + 0.5)) / looks)]!,
    );
    const runs = some.map(
      (id) =>
        larder.sqlite
          .prepare("select k.run_id from container c join pack k on k.id = c.pack_id where c.id = ?")
          .pluck()
          .get(id) as string,
    );
    let i = 0;
    const next = <T>(list: readonly T[]) => list[i++ % list.length]!;
    const bareTrace = (id: string) => {
      const packs = larder.sqlite.prepare("select id from pack where run_id = ?").pluck().all(id) as string[];
      const ids = larder.sqlite
        .prepare(RELATIVES_SQL)
        .pluck()
        .all({ starts: JSON.stringify(packs) }) as string[];
      return larder.sqlite.prepare(FLOWS_SQL).all(JSON.stringify(ids));
    };
    const bareRecall = (id: string) =>
      DOUBTS.map((k) => larder.sqlite.prepare(SHARING_SQL[k]).pluck().all({ id }));
    return {
      traceMs: await medianMs(() => traceGraph(larder, "run", next(runs)), looks * 3),
      traceBareMs: await medianMs(() => bareTrace(next(runs)), looks * 3),
      recallMs: await medianMs(() => containersSharing(larder, next(some)), looks * 3),
      recallBareMs: await medianMs(() => bareRecall(next(some)), looks * 3),
      found: some.reduce((n, id) => n + containersSharing(larder, id).length, 0) / looks,
    };
  } finally {
    larder.close();
  }
}
