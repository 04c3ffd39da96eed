/** What the machine has against writing or reading, by the code of the error. */
const FULL = new Set(["SQLITE_FULL", "ENOSPC", "EDQUOT"]);
const READ_ONLY = new Set(["EROFS", "EACCES", "EPERM"]);
const DAMAGED = new Set(["SQLITE_CORRUPT", "SQLITE_NOTADB", "SQLITE_CORRUPT_INDEX", "SQLITE_CORRUPT_VTAB"]);

let damaged: string | null = null;

/** What was found wrong with the larder's file while it was open; null when nothing was. */
export const damage = (): string | null => damaged;

/** The larder's file was found damaged: from now on there is nothing but the way back to a copy. */
export function foundDamaged(what: string): void {
  damaged ??= what;
}

/** A sound file stands in the place of the damaged one. */
export function mended(): void {
  damaged = null;
}

const codeOf = (error: unknown) => String((error as { code?: unknown } | null)?.code ?? "");

/**
 * What to tell a person of an error that is the machine's and not ours; null for any other. A full disk is said with 507
 * and can be mended by making room; a damaged file stops everything but the way back to a copy.
 */
export function troubleAnswer(error: unknown): { status: number; title: string } | null {
  const code = codeOf(error);
  if (FULL.has(code))
    return {
      status: 507,
      title:
        "The disk is full. What you just said was not recorded; everything before it was. Make room on the disk, then enter it again.",
    };
  if (READ_ONLY.has(code) || code.startsWith("SQLITE_READONLY"))
    return {
      status: 503,
      title:
        "The larder's folder cannot be written to. What you just said was not recorded; everything before it was. Allow this program to write to the folder, then enter it again.",
    };
  if (DAMAGED.has(code)) {
    foundDamaged((error as Error).message);
    return { status: 503, title: "The larder's file is damaged. Open the larder again to restore a backup." };
  }
  return null;
}
