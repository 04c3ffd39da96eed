import Database from "better-sqlite3";
import { mkdirSync } from "node:fs";
import { join } from "node:path";

/**
 * Locks a larder for one program; returns how to unlock it. The system releases the lock when the process ends,
 * however it ends. Throws an error with the code SQLITE_BUSY when another process holds it.
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
