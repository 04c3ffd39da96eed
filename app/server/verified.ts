import { join } from "node:path";
import { inspectInProcess, type Inspection } from "#store/backup";
import type { Larder } from "#store/db";
import { verifyLarder, type Verification } from "#store/history";
import { checkWitness, readHead, type Witnessed } from "#store/witness";

/** Whether a larder's history fits: by its own hashes, and by what was printed and signed of it. */
export interface Verified extends Verification {
  witnessed: Witnessed | null;
}

let asked: Promise<Verified> | null = null;
let past: readonly string[] = [];

/** What was found wrong with the records the last time they were gone through; empty when nothing was. */
export const foundInPast = (): readonly string[] => past;

/**
 * Whether a larder's history fits. Whoever asks while it is being gone through hears the same answer.
 * @param paper the head of a chain as it stands on a paper, to be compared as well
 */
export function verified(larder: Larder, paper: string | null = null): Promise<Verified> {
  if (paper !== null) return goThrough(larder, [paper]);
  asked ??= goThrough(larder, [])
    .then((found) => {
      past = found.broken.map((b) => `${b.code ? `${b.code}: ` : ""}${b.what}`);
      return found;
    })
    .finally(() => (asked = null));
  return asked;
}

/** In another process: a lifetime of lines takes a while. */
async function goThrough(larder: Larder, papers: string[]): Promise<Verified> {
  const { folder, sqlite } = larder;
  const question = { folder, papers };
  if (sqlite.memory) {
    const witnessed = checkWitness(sqlite, { folder, papers: papers.flatMap((p) => readHead(p) ?? []) });
    return withWitness(larder, { wrong: [], past: verifyLarder(larder), witnessed, unsigned: null });
  }
  return withWitness(larder, await inspectInProcess(join(folder, "larder.db"), question));
}

function withWitness(larder: Larder, { wrong, past, witnessed }: Inspection): Verified {
  const at = larder.now();
  if (past) return { ...past, broken: [...past.broken, ...(witnessed?.broken ?? [])], at, witnessed };
  return {
    at,
    runs: 0,
    lines: 0,
    head: null,
    broken: wrong.map((what) => ({ code: null, seq: null, what })),
    witnessed: null,
  };
}
