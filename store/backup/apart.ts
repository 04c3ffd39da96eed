/**
 * Looks at a larder's file in a process of its own, so that a lifetime of jars never keeps a running canner's clock
 * waiting: `apart.ts <file>` prints what it found as JSON.
 */
import Database from "better-sqlite3";
import { execFile } from "node:child_process";
import { fileURLToPath } from "node:url";
import { type Larder } from "#store/db";
import { verifyLarder, type Verification } from "#store/history";
import { checkFile } from "./copies.ts";

export interface LookedAt {
  /** what is wrong with the file; empty when it is sound */
  wrong: string[];
  /** whether its past fits; null when the file is not sound */
  past: Verification | null;
}

const HERE = "store/backup/apart.ts";

/** Looks at a file in another process. @param past whether its chains are gone through as well */
export function lookApart(path: string, past = false): Promise<LookedAt> {
  return new Promise((resolve, reject) => {
    execFile(
      process.execPath,
      ["--import", "tsx", HERE, path, past ? "past" : ""],
      { maxBuffer: 50_000_000 },
      (error, said) => {
        if (error)
          return reject(new Error(`the file could not be looked at: ${error.message.split("\n")[0]}`));
        resolve(JSON.parse(said) as LookedAt);
      },
    );
  });
}

/** What is wrong with a file, asked in another process. */
export const checkApart = async (path: string): Promise<string[]> => (await lookApart(path)).wrong;

function look(path: string, withPast: boolean): LookedAt {
  const wrong = checkFile(path);
  if (wrong.length || !withPast) return { wrong, past: null };
  const sqlite = new Database(path, { readonly: true });
  const past = verifyLarder({ sqlite, now: Date.now } as Larder);
  sqlite.close();
  return { wrong, past };
}

if (process.argv[1] === fileURLToPath(import.meta.url) && process.argv[1].endsWith(HERE))
  process.stdout.write(JSON.stringify(look(process.argv[2]!, process.argv[3] === "past")));
