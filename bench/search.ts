/** What a search of the shelves costs over a lifetime of jars, beside the bare SQL for the same question. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openLarder, type Larder } from "#store/db";
import { findOnShelf, shelvedByIds } from "#store/shelf";
import { fillLifetime } from "./lifetime.ts";
import { median } from "./measure.ts";

const RUNS = 2_000;
const STANDING = 100_000;
/** What is asked: words that nearly all jars have, few have, and none has. */
const QUESTIONS = [["boar"], ["shelf", "3"], ["shoulder", "room", "2"], ["7zz"], ["nothing-has-this"]];
const FIELDS = 11;

/** The same question without any care: each word against each field, row by row. */
function bare(larder: Larder, words: readonly string[]): unknown[] {
  const one = `(c.code like ? or p.name like ? or p.room like ? or r.code like ? or k.code like ? or k.product like ? or k.container like ?
    or exists (select 1 from pack_from x join lot l on l.id = x.lot_id join lot_origin o on o.lot_id = l.id join harvest h on h.id = o.harvest_id
      where x.pack_id = k.id and (l.part like ? or h.species like ? or l.code like ? or h.code like ?)))`;
  const ids = larder.sqlite
    .prepare(
      `select c.id from container c join pack k on k.id = c.pack_id join run r on r.id = k.run_id join shelf_place p on p.id = c.place_id
       where c.moved = 'shelved' and ${words.map(() => one).join(" and ")} order by c.canned_at, c.code limit 60`,
    )
    .pluck()
    .all(...words.flatMap((w) => Array<string>(FIELDS).fill(`%${w}%`))) as string[];
  // What is shown of them is asked for by both.
  return shelvedByIds(larder, ids);
}

function medianOf(work: () => unknown): number {
  return median(
    Array.from({ length: 11 }, () => {
      const began = performance.now();
      work();
      return performance.now() - began;
    }),
  );
}

/** Milliseconds of each question: ours, and the bare SQL. */
export function searchFigures(): { words: string; ours: number; bare: number }[] {
  const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
  const now = Date.now();
  fillLifetime(folder, RUNS, STANDING, now);
  const larder = openLarder(folder, () => now);
  try {
    return QUESTIONS.map((words) => ({
      words: words.join(" "),
      ours: medianOf(() => findOnShelf(larder, words)),
      bare: medianOf(() => bare(larder, words)),
    }));
  } finally {
    larder.close();
    rmSync(folder, { recursive: true, force: true });
  }
}

if (process.argv[1]?.endsWith("search.ts")) console.table(searchFigures());
