import { DateTime } from "luxon";
import { readWall } from "#core/calendar";
import { v7 as uuid } from "uuid";
import { onBehalfOf, Refused, scopeNow, type Write } from "#store/db";
import { DAY_MS, parseQuantity } from "#core/quantity";
import { writingOf } from "#store/household";
import { getRun, openRun, runBetween, tapRun, type Tap } from "#store/run";
import type { Home } from "../../../server/context";

/** What a run sheet asks for, in the order of the work: the event each time stands for. */
export const SHEET_TIMES = [
  ["lit", "heat-on", "Lit"],
  ["steam", "steam-steady", "Steam steady"],
  ["weightOn", "weight-on", "Weight on"],
  ["start", "at-target", "At pressure: the time starts"],
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
  /** somebody said that the run went past midnight */
  overnight?: boolean;
  /** conditions of the process that were met, as confirmed */
  confirmed?: readonly string[];
  /** why it went ahead although raw containers waited, or the mixture has no published process */
  loadReason?: string | null;
  signedReason: string | null;
  equipmentReason: string | null;
}

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
  const taps = tapsOf(sheet, household, now);
  const [first] = taps;
  if (!first || first.type !== "heat-on") throw new Refused({ lit: "When was it lit?" });
  return larder.sqlite
    .transaction(() => {
      const last = taps.at(-1)!.at;
      const other = runBetween(larder, sheet.cannerId, first.at, last);
      if (other)
        throw new Refused(
          { lit: `Run ${other} was in this canner at that time. Correct the times or the canner.` },
          409,
        );
      // The run is opened when it was lit, by the larder's clock of that moment.
      const said = { at: first.at, heardAt: now };
      const { id, code } = onBehalfOf({ ...scopeNow(), said }, () =>
        openRun(larder, write, {
          cannerId: sheet.cannerId,
          packIds: sheet.packIds,
          signedReason: sheet.signedReason,
          equipmentReason: sheet.equipmentReason,
          confirmed: sheet.confirmed ?? [],
          loadReason: sheet.loadReason ?? null,
        }),
      );
      const byWeight = getRun(larder, id).plan.governs === "weighted";
      for (const { field, ...tap } of taps) {
        try {
          // “At target” on the sheet is what the governing instrument said.
          if (byWeight && tap.type === "at-target") tap.type = "weight-rocking";
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

/** Longest time from one line of a sheet to the next, hours; a longer one is a slip of the pen. Common practice, no source. */
const LONGEST_STEP_HOURS = 8;

/**
 * Reads clock times that follow one another. A time before the one above it is of the next day only where somebody said that
 * the run went past midnight, and only once.
 */
class SheetClock {
  private last: DateTime;
  private crossed = false;
  private begun: boolean;

  constructor(
    day: DateTime,
    private readonly overnight: boolean,
    private readonly now: number,
    from?: number,
  ) {
    this.last = from === undefined ? day : DateTime.fromMillis(from, { zone: day.zone });
    this.begun = from !== undefined;
    this.crossed = from !== undefined && !this.last.hasSame(day, "day");
  }

  /** The instant of a time as written, ms, or what is wrong with it. */
  instant(text: string, label: string): number | { problem: string } {
    const [, h, m, which] = /^(\d{1,2}):(\d\d)\s*([AB])?$/i.exec(text.trim()) ?? [];
    if (h === undefined || Number(h) > 23 || Number(m) > 59)
      return { problem: `“${text.slice(0, 20)}” is not a time. Write it like 14:05.` };
    const { year, month, day } = this.last;
    const read = readWall({ year, month, day, hour: Number(h), minute: Number(m) }, this.last.zoneName!);
    if (read?.is === "skipped")
      return { problem: `${text} did not exist that day: the clocks went forward over it.` };
    const all = read?.is === "twice" ? read.at : [read!.at];
    // A minute is what a kitchen clock shows: the same minute twice is in order.
    const inOrder = all.filter((t) => !this.begun || t >= this.last.toMillis() - 59_999);
    const chosen = which ? all[which.toUpperCase() === "A" ? 0 : all.length - 1]! : (inOrder[0] ?? all[0]!);
    if (all.length > 1 && !which && !this.begun)
      return {
        problem: `${text} came twice that day: the clocks went back. Write ${text}A for the first time, ${text}B for the second.`,
      };
    let at = DateTime.fromMillis(chosen, { zone: this.last.zone });
    if (this.begun && at.toMillis() < this.last.toMillis() - 59_999) {
      if (!this.overnight || this.crossed)
        return {
          problem: `${text} is before ${this.last.toFormat("HH:mm")} above it. ${this.crossed ? "The run can cross midnight only once." : "Correct one of them, or tick that the run went past midnight."}`,
        };
      at = at.plus({ days: 1 });
      this.crossed = true;
    }
    if (this.begun && at.diff(this.last, "hours").hours > LONGEST_STEP_HOURS)
      return {
        problem: `${label}: more than ${LONGEST_STEP_HOURS} hours after ${this.last.toFormat("HH:mm")}. Correct one of them.`,
      };
    if (at.toMillis() > this.now) return { problem: "That time is in the future." };
    this.last = this.begun && at < this.last ? this.last : at;
    this.begun = true;
    return this.last.toMillis();
  }
}

type SheetTap = Pick<Tap, "type" | "gaugeKPa"> & { at: number; field: string };

/** What the sheet says happened, in order of time. Every time that cannot be is told at its own field. */
function tapsOf(sheet: RunSheet, home: Home["household"], now: number): SheetTap[] {
  const { zone } = home;
  const problems: Record<string, string> = {};
  const taps: SheetTap[] = [];
  const start = DateTime.fromISO(sheet.day, { zone });
  if (!start.isValid) throw new Refused({ day: "Write the day like 2026-11-20." });
  if (now - start.toMillis() > OLDEST_MS)
    throw new Refused({ day: "That is over two months ago. It is too late to enter it." });
  const clock = new SheetClock(start, sheet.overnight ?? false, now);
  for (const [field, type, label] of SHEET_TIMES) {
    const text = sheet.times[field]?.trim();
    if (!text) continue;
    const at = clock.instant(text, label);
    if (typeof at === "number") taps.push({ type, at, field });
    else problems[field] = at.problem;
  }
  // Looks at the gauge have a clock of their own: it begins with the weight, or with the burner.
  const from = taps.find((t) => t.type === "weight-on") ?? taps[0];
  const looks = new SheetClock(start, sheet.overnight ?? false, now, from?.at);
  for (const line of sheet.readings.split(/\r?\n/).filter((l) => l.trim())) {
    const [, time, figure] = /^\s*(\d{1,2}:\d\d\s?[AB]?)[\s,;]+(.+?)\s*$/i.exec(line) ?? [];
    const at = time === undefined ? null : looks.instant(time, "the gauge");
    const read = parseQuantity(figure ?? "", "gaugePressure", writingOf(home));
    if (typeof at === "number" && read.ok)
      taps.push({ type: "reading", gaugeKPa: read.si, at, field: "readings" });
    else
      problems.readings ??=
        at !== null && typeof at === "object"
          ? `${line.trim().slice(0, 30)}: ${at.problem}`
          : `“${line.trim().slice(0, 30)}” does not read as a time and a pressure, like 14:05 12 lb.`;
  }
  if (Object.keys(problems).length) throw new Refused(problems);
  return taps
    .map((t, i) => ({ t, i }))
    .sort((a, b) => a.t.at - b.t.at || a.i - b.i)
    .map(({ t }) => t);
}
