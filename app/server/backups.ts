import type { Logger } from "pino";
import { backupIsDue, checkApart, takeBackup } from "#store/backup";
import { type Larder } from "#store/db";

/** How often it is asked whether a copy is due, ms. A copy is due once a day, when something was written since. */
const ASK_MS = 10 * 60_000;
/** The first time a moment after the start, when the screens have what they asked for. */
const FIRST_MS = 20_000;

let trouble: string | null = null;

/** What stood in the way of the last daily copy; null when nothing did. */
export const backupTrouble = (): string | null => trouble;

/** Copies the larder once a day as long as the server runs. @returns ends it */
export function keepBackups(larder: Larder, log: Logger): () => void {
  const look = async () => {
    try {
      if (!larder.sqlite.open || !backupIsDue(larder)) return;
      const copy = await takeBackup(larder, "daily", checkApart);
      trouble = null;
      log.info({ copy: copy.name, bytes: copy.bytes }, "copied");
    } catch (error) {
      trouble = (error as Error).message;
      log.error({ error: trouble }, "no copy could be made");
    }
  };
  const first = setTimeout(() => void look(), FIRST_MS);
  const timer = setInterval(() => void look(), ASK_MS);
  first.unref();
  timer.unref();
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
