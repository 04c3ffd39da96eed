import { closeSync, fsyncSync, openSync, renameSync, writeSync } from "node:fs";

/**
 * Writes a small file so that it is there whole, or as it was before. Nobody but the owner may read it.
 * @param durable whether it also survives a power cut from here on; that takes the disk a moment
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
