import { closeSync, fsyncSync, openSync, renameSync, writeSync } from "node:fs";

/**
 * Writes a small file so that it is either complete or as it was before; only its owner may read it.
 *
 * @param durable waits until it survives a power cut
 */
export function writeWhole(path: string, text: string, durable = false): void {
  const file = openSync(`${path}.new`, "w", 0o600);
  try {
    writeSync(file, text);
    if (durable) fsyncSync(file);
  } finally {
    closeSync(file);
  }
  renameSync(`${path}.new`, path);
}
