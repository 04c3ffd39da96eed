import Database from "better-sqlite3";
import { isWord } from "./scrypt.ts";

/** The hash of the passphrase that a larder file elsewhere asks for; null when it has none, or is from before there were any. */
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

/** Whether words are those of a hash. */
export const matchesHash = (hash: string, words: string): Promise<boolean> =>
  isWord(words.slice(0, 200), hash);
