import type { Logger } from "pino";
import { DAY_MS, MINUTE_MS } from "#core/quantity";
import {
  backupIsDue,
  checkInProcess,
  copyToSecondPlace,
  isOverdue,
  secondPlaceOf,
  takeBackup,
} from "#store/backup";
import { pruneWriteKeys, type Larder } from "#store/db";
import { foundDamaged } from "./trouble";
import { foundInPast, verified } from "./verified";

/** How often it is asked whether a backup is due, ms. One is due once a day, when something was written since. */
const ASK_MS = 10 * MINUTE_MS;
/** The first time a moment after the start, when the screens have what they asked for. */
const FIRST_MS = 20_000;
/** The whole history is gone through this often, ms of the machine's clock. */
const LOOK_MS = DAY_MS;

let trouble: string | null = null;

/** What stood in the way of the last daily backup; null when nothing did. */
export const backupTrouble = (): string | null => trouble;

/** Whether the second place has waited too long for a backup, and what stood in its way. */
export function secondPlaceTrouble({ folder, now }: Larder): string | null {
  if (!isOverdue(folder, now())) return null;
  return secondPlaceOf(folder)?.trouble ?? "No backup has gone there yet.";
}

/** Goes through the records as they are in the file. What is wrong with them stands on Today from then on. */
export async function lookThrough(larder: Larder, log: Pick<Logger, "error">): Promise<void> {
  const { lines } = await verified(larder);
  const past = foundInPast();
  if (past.length) log.error({ past }, "the records are not what they were");
  // Of a file that cannot be read, not one line was gone through: from here on there is nothing but the way back.
  if (lines === 0 && past[0]?.startsWith("The file is damaged")) foundDamaged(past[0]);
}

/** Makes a backup once a day as long as the server runs, and goes through the history as often. @returns ends it */
export function keepBackups(larder: Larder, log: Logger): () => void {
  let lookedAt = -Infinity;
  const look = async (justStarted: boolean) => {
    try {
      if (!larder.sqlite.open) return;
      if (backupIsDue(larder)) {
        const copy = await takeBackup(larder, "daily", checkInProcess);
        trouble = copy.unsigned && `The backup was made but not signed: ${copy.unsigned}`;
        pruneWriteKeys(larder);
        log.info({ copy: copy.name, bytes: copy.bytes }, "backup made");
      }
      const wrong = await copyToSecondPlace(larder);
      if (wrong) log.error({ error: wrong }, "no backup at the second place");
      // While everybody opens their pages the machine has enough to do.
      if (justStarted || performance.now() - lookedAt < LOOK_MS) return;
      lookedAt = performance.now();
      await lookThrough(larder, log);
    } catch (error) {
      trouble = (error as Error).message;
      log.error({ error: trouble }, "no backup could be made");
    }
  };
  const first = setTimeout(() => void look(true), FIRST_MS);
  const timer = setInterval(() => void look(false), ASK_MS);
  first.unref();
  timer.unref();
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
