import { DateTime } from "luxon";
import { v7 as uuid } from "uuid";
import { onBehalfOf, Refused, scopeNow, type Write } from "#store/db";
import { parseQuantity } from "#core/quantity";
import { openRun, tapRun, type Tap } from "#store/run";
import { type Home } from "../context";

/** What a run sheet asks for, in the order of the work: the event each time stands for. */
export const SHEET_TIMES = [
  ["lit", "heat-on", "Lit"],
  ["steam", "steam-steady", "Steam steady"],
  ["weightOn", "weight-on", "Weight on"],
  ["start", "at-target", "At target: the time starts"],
  ["off", "heat-off", "Heat off"],
  ["zero", "pressure-zero", "Gauge at zero"],
  ["lock", "lock-down", "Lock down"],
  ["weightOff", "weight-off", "Weight off"],
  ["lid", "lid-off", "Lid off"],
  ["out", "unloaded", "Jars on the towel"],
] as const;
export type SheetTime = (typeof SHEET_TIMES)[number][0];

export interface RunSheet {
  cannerId: string;
  packIds: string[];
  /** local day it was lit, YYYY-MM-DD */
  day: string;
  /** HH:MM as written on the sheet */
  times: Partial<Record<SheetTime, string>>;
  /** a line each: HH:MM and what the gauge showed */
  readings: string;
  signedReason: string | null;
  equipmentReason: string | null;
}

const DAY_MS = 86_400_000;
/** A sheet older than this is no sheet of a day without power. */
const OLDEST_MS = 60 * DAY_MS;

/**
 * Writes down a run that was kept on paper, with every rule it would have met at the stove: what does not fit is
 * refused at its field, and then nothing of it is kept. Each event says that it was entered later.
 * @returns the run's code
 */
export function enterRunSheet(
  home: Home,
  write: Write & { byName: string },
  sheet: RunSheet,
): { code: string } {
  const { larder, household } = home;
  const now = larder.now();
  const taps = tapsOf(sheet, household.zone, household.units, now);
  const [first] = taps;
  if (!first || first.type !== "heat-on") throw new Refused({ lit: "When was it lit?" });
  return larder.sqlite
    .transaction(() => {
      // The run is opened when it was lit, by the larder's clock of that moment.
      const said = { at: first.at, heardAt: now };
      const { id, code } = onBehalfOf({ ...scopeNow(), said }, () =>
        openRun(larder, write, {
          cannerId: sheet.cannerId,
          packIds: sheet.packIds,
          signedReason: sheet.signedReason,
          equipmentReason: sheet.equipmentReason,
        }),
      );
      for (const { field, ...tap } of taps) {
        try {
          tapRun(larder, id, { ...tap, id: uuid(), by: write.byName, text: "entered from paper" });
        } catch (error) {
          if (error instanceof Refused) throw new Refused({ [field]: error.message }, error.status);
          throw error;
        }
      }
      return { code };
    })
    .immediate();
}

type SheetTap = Pick<Tap, "type" | "gaugeKPa"> & { at: number; field: string };

/** What the sheet says happened, in order of time. A time before the one above it is of the next day. */
function tapsOf(sheet: RunSheet, zone: string, units: Home["household"]["units"], now: number): SheetTap[] {
  const problems: Record<string, string> = {};
  const taps: SheetTap[] = [];
  const start = DateTime.fromISO(sheet.day, { zone });
  if (!start.isValid) throw new Refused({ day: "The day does not read as one, like 2026-11-20." });
  if (now - start.toMillis() > OLDEST_MS)
    throw new Refused({ day: "That is over two months ago: it is not entered any more." });
  let last = start.toMillis();
  const instant = (text: string, field: string): number | null => {
    const [, h, m] = /^(\d{1,2}):(\d\d)$/.exec(text.trim()) ?? [];
    if (h === undefined || Number(h) > 23 || Number(m) > 59) {
      problems[field] = `“${text.slice(0, 20)}” is no time, like 14:05.`;
      return null;
    }
    let at = DateTime.fromMillis(last, { zone }).set({
      hour: Number(h),
      minute: Number(m),
      second: 0,
      millisecond: 0,
    });
    // A minute is what a kitchen clock shows: the same minute twice is in order.
    if (at.toMillis() < last - 59_999) at = at.plus({ days: 1 });
    if (at.toMillis() > now) problems[field] = "This has not come yet.";
    return at.toMillis();
  };
  for (const [field, type] of SHEET_TIMES) {
    const text = sheet.times[field]?.trim();
    if (!text) continue;
    const at = instant(text, field);
    if (at === null) continue;
    taps.push({ type, at: Math.max(at, last), field });
    last = Math.max(at, last);
  }
  last = taps.find((t) => t.type === "weight-on")?.at ?? taps[0]?.at ?? start.toMillis();
  for (const line of sheet.readings.split(/\r?\n/).filter((l) => l.trim())) {
    const [, time, figure] = /^\s*(\d{1,2}:\d\d)[\s,;]+(.+?)\s*$/.exec(line) ?? [];
    const at = time === undefined ? null : instant(time, "readings");
    const read = parseQuantity(figure ?? "", "gaugePressure", units);
    if (at === null || !read.ok) {
      problems.readings ??= `“${line.trim().slice(0, 30)}” does not read as a time and a pressure, like 14:05 12 lb.`;
      continue;
    }
    taps.push({ type: "reading", gaugeKPa: read.si, at, field: "readings" });
    last = at;
  }
  if (Object.keys(problems).length) throw new Refused(problems);
  return taps
    .map((t, i) => ({ t, i }))
    .sort((a, b) => a.t.at - b.t.at || a.i - b.i)
    .map(({ t }) => t);
}
