import Database from "better-sqlite3";
import { mkdirSync } from "node:fs";
import { join } from "node:path";

/**
 * Holds a larder for one program: two at once would each go by what it remembers of the runs. The lock is a file of its
 * own that SQLite locks, and the system lets go of it when the process ends, however it ends.
 * @returns how to let go of it
 * @throws an error with the code SQLITE_BUSY when another process holds it
 */
export function lockLarder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const lock = new Database(join(folder, "larder.lock"), { timeout: 0 });
  try {
    lock.exec("begin exclusive");
  } catch (error) {
    lock.close();
    throw error;
  }
  return () => void lock.close();
}
