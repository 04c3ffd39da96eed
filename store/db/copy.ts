import Database from "better-sqlite3";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { v7 as uuid } from "uuid";
import { laidOut, type Larder } from "./larder.ts";

/**
 * A copy of a larder as it is now, to be read at leisure, or to see on it what something would do. It is made while the
 * larder goes on; one in memory is copied in memory.
 * @returns the copy, and how to clear it away
 */
export async function copyLarder(larder: Larder): Promise<{ copy: Larder; drop(): void }> {
  if (larder.sqlite.memory) return opened(larder, new Database(larder.sqlite.serialize()), () => undefined);
  const folder = join(larder.folder, "leaving");
  mkdirSync(folder, { recursive: true });
  const path = join(folder, `${uuid()}.db`);
  await larder.sqlite.backup(path);
  return opened(larder, new Database(path), () => {
    for (const end of ["", "-wal", "-shm", "-journal"]) rmSync(path + end, { force: true });
  });
}

function opened(
  { folder, now }: Larder,
  sqlite: Database.Database,
  clear: () => void,
): { copy: Larder; drop(): void } {
  const copy = laidOut(sqlite, folder, now);
  // Nobody needs it after a power cut.
  sqlite.pragma("synchronous = OFF");
  return {
    copy,
    drop() {
      copy.close();
      clear();
    },
  };
}
