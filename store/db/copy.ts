import Database from "better-sqlite3";
import { mkdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { v7 as uuid } from "uuid";
import { openedLarder, type Larder } from "./larder.ts";

/**
 * Returns a copy of a larder as it is now, and how to remove it: to read from at leisure, or to try a change on. The
 * larder stays in use meanwhile.
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
  const copy = openedLarder(sqlite, folder, now);
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
