import { DateTime, FixedOffsetZone } from "luxon";

/** A day and time as clocks on the wall show it. Months from 1. */
export interface WallTime {
  year: number;
  month: number;
  day: number;
  hour: number;
  minute: number;
  second?: number;
}

/**
 * What a time on the wall means in a zone: one instant; two, where the clocks were set back over it; or none, where they were
 * set forward over it: then how they stood just before, and just after. All ms since 1970 UTC.
 */
export type WallReading =
  | { is: "once"; at: number }
  | { is: "twice"; at: [first: number, second: number] }
  | { is: "skipped"; from: WallTime; to: WallTime };

/**
 * Returns which instant a wall-clock time means in a zone: one, two where the clocks were set back over it, or none
 * where they were set forward over it, ms since 1970 UTC. Offsets come from the IANA time zone database by luxon.
 *
 * @param wall date and time as a clock shows them; months from 1
 * @param zone IANA name
 * @returns null when there is no such date, time or zone
 */
export function readWall(wall: WallTime, zone: string): WallReading | null {
  const time = DateTime.fromObject(wall, { zone });
  if (!time.isValid) return null;
  if (time.hour !== wall.hour || time.minute !== wall.minute) return skipped(time);
  const all = time
    .getPossibleOffsets()
    .map((t) => t.toMillis())
    .sort((a, b) => a - b);
  return all.length > 1 ? { is: "twice", at: [all[0]!, all.at(-1)!] } : { is: "once", at: time.toMillis() };
}

/** The gap a time fell into, from an instant after it. */
function skipped(after: DateTime): WallReading {
  // A clock is set on a full minute; the step back from the time it was taken for is never longer than half a day.
  let low = after.minus({ hours: 12 });
  let high = after;
  while (high.diff(low, "minutes").minutes > 1) {
    const middle = low.plus({ minutes: Math.floor(high.diff(low, "minutes").minutes / 2) });
    if (middle.offset === after.offset) high = middle;
    else low = middle;
  }
  return { is: "skipped", from: wallOf(high, low.offset), to: wallOf(high, high.offset) };
}

const wallOf = (time: DateTime, offset: number): WallTime => {
  const { year, month, day, hour, minute } = time.setZone(FixedOffsetZone.instance(offset));
  return { year, month, day, hour, minute };
};

const TYPED = /^(\d{4})-(\d\d)-(\d\d)[T ](\d\d):(\d\d)(?::(\d\d))?(?:\.\d+)?$/;

/**
 * Returns which instant a wall-clock time means, read from a form's text such as `2026-11-20T14:05`; see `readWall`.
 *
 * @param zone IANA name
 * @returns null when the text is no date and time, or the zone does not exist
 */
export function readWallText(text: string, zone: string): WallReading | null {
  const [, year, month, day, hour, minute, second = 0] = TYPED.exec(text)?.map(Number) ?? [];
  if (year === undefined) return null;
  return readWall(
    { year, month: month!, day: day!, hour: hour!, minute: minute!, second: second || 0 },
    zone,
  );
}
