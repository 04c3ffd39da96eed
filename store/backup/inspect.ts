/**
 * Looks at a larder's file in a process of its own, so that a lifetime of jars never keeps a running canner's clock
 * waiting. The process is `inspect-main.ts`.
 */
import Database from "better-sqlite3";
import { execFile } from "node:child_process";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { PROGRAM_FOLDER, type Larder } from "#store/db";
import { verifyLarder, type Verification } from "#store/history";
import { checkWitness, readHead, type Witnessed } from "#store/witness";
import { checkHere, type Check, type ToSign } from "./copies.ts";

export interface Inspection {
  /** what is wrong with the file; empty when it is sound */
  wrong: string[];
  /** whether its past fits; null when the file is not sound, or nobody asked */
  past: Verification | null;
  /** whether it is as it was signed and printed; null when the file is not sound, or nobody asked */
  witnessed: Witnessed | null;
  /** why its history could not be signed; null when it was, or nobody asked */
  unsigned: string | null;
}

/** What is asked of a file beside whether it is sound: to sign its history, or what that history is held against. */
export type Question = { sign: ToSign } | HistoryQuestion;

export interface HistoryQuestion {
  /** the larder's folder, whose signatures are asked as well */
  folder: string;
  /** texts of heads as they stand on papers */
  papers?: string[];
  /** signatures kept elsewhere */
  files?: string[];
  /** fingerprints of other keys to be trusted */
  trusted?: string[];
}

const HERE = "store/backup/inspect-main.ts";
/** The same, built with the server: it starts in a third of the time, and needs nothing that compiles. */
const BUILT = "build/server/inspect.js";
/** How another process is started for it. The built program goes with the built server, and with nothing else. */
const command = () =>
  process.env.NODE_ENV === "production" && existsSync(join(PROGRAM_FOLDER, BUILT))
    ? [join(PROGRAM_FOLDER, BUILT)]
    : ["--import", "tsx", join(PROGRAM_FOLDER, HERE)];

/**
 * Returns what is found in a larder file by another process, so that this one is not blocked.
 *
 * @param question what its history is checked against; null checks the file alone
 */
export function inspectInProcess(path: string, question: Question | null = null): Promise<Inspection> {
  return new Promise((resolve, reject) => {
    execFile(
      process.execPath,
      [...command(), path, JSON.stringify(question)],
      { maxBuffer: 50_000_000, cwd: PROGRAM_FOLDER },
      (error, said) => {
        if (error)
          return reject(new Error(`the file could not be looked at: ${error.message.split("\n")[0]}`));
        resolve(JSON.parse(said) as Inspection);
      },
    );
  });
}

/**
 * Returns what is wrong with a larder file, looked at in another process; with `sign`, its history is signed there.
 */
export const checkInProcess: Check = (path, sign) => inspectInProcess(path, sign ? { sign } : null);

/**
 * Returns what is found in a larder file, looked at in this process. The file is only read, and its layout stays.
 *
 * @param question what its history is checked against; null checks the file alone
 */
export function inspectFile(path: string, question: Question | null): Inspection {
  const sign = question && "sign" in question ? question.sign : undefined;
  const plain = { ...checkHere(path, sign), past: null, witnessed: null };
  if (plain.wrong.length || !question || "sign" in question) return plain;
  const sqlite = new Database(path, { readonly: true });
  try {
    const past = verifyLarder({ sqlite, now: Date.now } as Larder);
    return { ...plain, past, witnessed: checkWitness(sqlite, { ...question, papers: papersOf(question) }) };
  } finally {
    sqlite.close();
  }
}

const papersOf = ({ papers = [] }: HistoryQuestion) => papers.flatMap((text) => readHead(text) ?? []);
