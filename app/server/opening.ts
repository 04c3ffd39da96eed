import { accessSync, constants, existsSync } from "node:fs";
import { join } from "node:path";
import { removePartialFiles } from "#store/backup";
import { lockLarder, LaterLayout, openLarder, type Larder } from "#store/db";

/** Why a larder cannot be opened. Only a damaged file is put right with a backup. */
export interface Unopened {
  kind: "damaged" | "read-only" | "later" | "in-use";
  /** for a person: what it is and what to do */
  words: string;
  /** what the machine said, for the log */
  error: string;
}

/** A larder that is open, and how to let go of it; or why it is not. */
export type Opened = { larder: Larder; letGo(): void } | { larder: null; why: Unopened };

const READ_ONLY = /^(SQLITE_READONLY|SQLITE_CANTOPEN|SQLITE_PERM|EACCES|EPERM|EROFS)/;

/** Opens the larder in a folder for this process alone. */
export function openedFor(folder: string, now: () => number): Opened {
  let release: (() => void) | null = null;
  try {
    release = lockLarder(folder);
    removePartialFiles(folder);
    const larder = openLarder(folder, now);
    const end = release;
    return { larder, letGo: () => (larder.close(), end()) };
  } catch (error) {
    release?.();
    return { larder: null, why: whyUnopened(folder, error) };
  }
}

/** What it means that a larder cannot be opened. */
export function whyUnopened(folder: string, error: unknown): Unopened {
  const { code = "", message } = error as { code?: string; message: string };
  if (error instanceof LaterLayout) return { kind: "later", words: message, error: message };
  if (code.startsWith("SQLITE_BUSY"))
    return {
      kind: "in-use",
      words: "Another program has this larder open. Stop that one, then try again. Nothing was changed.",
      error: message,
    };
  if (READ_ONLY.test(code) || isReadOnly(folder))
    return {
      kind: "read-only",
      words:
        "The folder or the file cannot be written to. The records are not damaged. Allow this program to write to the folder (or free a disk that was set to read-only), then try again. Nothing was changed.",
      error: `${code} ${message}`,
    };
  return { kind: "damaged", words: message, error: message };
}

function isReadOnly(folder: string): boolean {
  try {
    accessSync(folder, constants.W_OK);
    const file = join(folder, "larder.db");
    if (existsSync(file)) accessSync(file, constants.W_OK | constants.R_OK);
    return false;
  } catch {
    return true;
  }
}
