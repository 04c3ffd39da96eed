import Database from "better-sqlite3";
import { verifySecret } from "./scrypt.ts";

/**
 * Returns the hash of the passphrase that a larder file elsewhere asks for; null when it has none, or is of a layout
 * without passphrases.
 */
export function passphraseHashIn(path: string): string | null {
  const db = new Database(path, { readonly: true, fileMustExist: true });
  try {
    const has = db.prepare("select 1 from sqlite_master where type = 'table' and name = 'secret'").get();
    if (!has) return null;
    return (
      (db.prepare("select hash from secret where name = 'passphrase'").pluck().get() as string | undefined) ??
      null
    );
  } finally {
    db.close();
  }
}

/** Returns whether a passphrase is the one a hash was made of. */
export const matchesHash = (hash: string, words: string): Promise<boolean> =>
  verifySecret(words.slice(0, 200), hash);
