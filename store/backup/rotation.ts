import { localDay } from "#core/calendar";
import { DAY_MS } from "#core/quantity";

/** Why a copy was made. */
export const BACKUP_REASONS = ["daily", "by-hand", "before-update", "before-restore"] as const;
export type BackupReason = (typeof BACKUP_REASONS)[number];

export interface Dated {
  name: string;
  /** ms since 1970 UTC */
  at: number;
  why: BackupReason;
}

/** How far back a copy is kept for each day, each week and each month. Common practice, no source. */
const DAYS = 7;
const WEEKS = 5;
const MONTHS = 12;
/** Copies made before something was changed at one stroke, and those somebody asked for, are kept by number. */
const OF_EACH = { "by-hand": 10, "before-update": 3, "before-restore": 5 } as const;

/**
 * Returns the names of the backups to keep: the newest of each of the last seven days, five weeks and twelve months
 * that have one, the newest few made for a reason, and the newest of all.
 */
export function backupsToKeep(copies: readonly Dated[]): Set<string> {
  const newestFirst = [...copies].sort((a, b) => b.at - a.at || (a.name < b.name ? 1 : -1));
  const keep = new Set<string>(newestFirst.slice(0, 1).map((c) => c.name));
  const daily = newestFirst.filter((c) => c.why === "daily");
  // A folder of copies belongs to no household until one is read: their days are counted in UTC, as in their names.
  const dayOf = (at: number) => localDay(at, "UTC");
  const spans: [number, (at: number) => string][] = [
    [DAYS, dayOf],
    [WEEKS, (at) => String(Math.floor((at / DAY_MS + 3) / 7))],
    [MONTHS, (at) => dayOf(at).slice(0, 7)],
  ];
  for (const [most, spanOf] of spans) {
    const seen = new Set<string>();
    for (const copy of daily) {
      if (seen.size === most) break;
      if (seen.has(spanOf(copy.at))) continue;
      seen.add(spanOf(copy.at));
      keep.add(copy.name);
    }
  }
  for (const [why, most] of Object.entries(OF_EACH))
    for (const copy of newestFirst.filter((c) => c.why === why).slice(0, most)) keep.add(copy.name);
  return keep;
}
