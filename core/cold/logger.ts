import { cFromF } from "#core/quantity";
import { readWall } from "#core/calendar";

/** How a logger file is to be read where it does not say itself. */
export interface LoggerReading {
  /** IANA zone of times that carry none */
  zone: string;
  /** which comes first in 03/04/2026 */
  dateOrder: "month-first" | "day-first";
  /** the present, ms; nothing may be later */
  now: number;
  /** nothing may be earlier, ms; null when the animal's time is not known */
  notBefore: number | null;
}

export interface LoggerRow {
  probe: string;
  at: number;
  tempC: number;
}

export interface RefusedRow {
  line: number;
  reason: string;
}

export type ReadRow = { rows: LoggerRow[]; refused: RefusedRow[] };

type TempColumn = { index: number; unit: "C" | "F" | null; probe: string | null };

/** Where a file's columns are. */
export interface LoggerColumns {
  time: number;
  /** second half of the time, when date and time stand apart */
  clock: number | null;
  probe: number | null;
  temps: TempColumn[];
}

/** Coldest and warmest a probe in game or fish can honestly read, °C. */
const COLDEST_C = -60;
const WARMEST_C = 60;

const EXAMPLE = "for example: time, probe, temp_C";

/**
 * Returns which columns of a logger's file hold time, probe and temperatures, from the names in its first line; a
 * sentence when the file cannot be read. A temperature in both °C and °F counts once, in °C.
 */
export function loggerColumns(header: readonly string[]): LoggerColumns | string {
  const names = header.map((h) => h.trim().toLowerCase());
  const find = (like: RegExp) => names.findIndex((n) => like.test(n));
  const time = find(/^(date|time|timestamp|when|logged)/);
  if (time < 0)
    return names.some((n) => /\d{4}|\d+[/.-]\d+/.test(n))
      ? `The first line holds readings, not names of columns. Put a line above it that names them, ${EXAMPLE}.`
      : `No column is named time or date. Name the columns in the first line, ${EXAMPLE}.`;
  const second = names.findIndex((n, i) => i !== time && /^(time|clock|hour)/.test(n));
  const probe = find(/^(probe|sensor|channel|device|serial|logger)( ?(id|no|name|number))?$/);
  const temps = names.flatMap((n, index): TempColumn[] => {
    if (index === time || index === second || index === probe) return [];
    if (!/temp|probe|sensor|channel|^t\d*$|°|celsius|fahrenheit/.test(n)) return [];
    return [{ index, unit: unitOf(n), probe: null }];
  });
  if (temps.length === 0)
    return `No column is named temp. Name the columns in the first line with the unit, ${EXAMPLE}.`;
  return {
    time,
    clock: second < 0 ? null : second,
    probe: probe < 0 ? null : probe,
    temps: onePerProbe(temps, header),
  };
}

/** Several temperature columns are several probes, unless they are the same one in °C and °F. */
function onePerProbe(temps: TempColumn[], header: readonly string[]): TempColumn[] {
  if (temps.length === 1) return temps;
  const bare = (t: TempColumn) =>
    header[t.index]!.toLowerCase()
      .replaceAll(/[°()[\]_-]|celsius|fahrenheit|\b[cf]\b/g, " ")
      .replaceAll(/\s+/g, " ")
      .trim();
  const firsts = temps.filter((t) => {
    const twin = temps.find((o) => bare(o) === bare(t) && o.unit === "C");
    return !twin || twin === t;
  });
  return firsts.length === 1 ? firsts : firsts.map((t) => ({ ...t, probe: header[t.index]!.trim() }));
}

function unitOf(text: string): "C" | "F" | null {
  if (/fahrenheit|°\s*f|[_\s(]f\b/i.test(text)) return "F";
  if (/celsius|°\s*c|[_\s(]c\b/i.test(text)) return "C";
  return null;
}

/**
 * Returns a reader for the lines under the header. Each line gives readings in °C at instants, ms since 1970 UTC, or
 * the reason why it gives none; a blank line gives neither. A local time that occurs twice is the later one when the
 * line before it is later than the first.
 *
 * @param columns from `loggerColumns`
 * @param how zone, unit and order of dates where the file does not say
 */
export function loggerReader(columns: LoggerColumns, how: LoggerReading) {
  const last = new Map<string, number>();
  return (line: number, cells: readonly string[]): ReadRow => {
    if (cells.every((c) => c.trim() === "")) return { rows: [], refused: [] };
    const refuse = (reason: string): ReadRow => ({ rows: [], refused: [{ line, reason }] });
    const day = cells[columns.time]?.trim() ?? "";
    const text = columns.clock === null ? day : `${day} ${cells[columns.clock]?.trim() ?? ""}`.trim();
    if (!text) return refuse("No time in this line.");
    const rows: LoggerRow[] = [];
    const refused: RefusedRow[] = [];
    for (const column of columns.temps) {
      const cell = cells[column.index]?.trim() ?? "";
      if (cell === "" && columns.temps.length > 1) continue;
      const probe = column.probe ?? (columns.probe === null ? "" : (cells[columns.probe]?.trim() ?? ""));
      const at = loggerInstant(text, how, last.get(probe) ?? null);
      const temp = loggerTemp(cell, column.unit);
      const wrong =
        (typeof at === "string" ? at : whyNotThen(at, how)) ?? (typeof temp === "string" ? temp : null);
      if (wrong) refused.push({ line, reason: wrong });
      else {
        rows.push({ probe, at: at as number, tempC: temp as number });
        last.set(probe, at as number);
      }
    }
    return rows.length + refused.length > 0 ? { rows, refused } : refuse("No temperature in this line.");
  };
}

function whyNotThen(at: number, how: LoggerReading): string | null {
  if (at > how.now) return "That time is in the future.";
  if (how.notBefore !== null && at < how.notBefore) return "This is before the animal was taken.";
  return null;
}

const NUMERIC = /^(-?\d+(?:[.,]\d+)?)\s*(°?\s*[cf])?$/i;

/** A temperature cell, °C, or why not. A unit in the cell goes before the column's. */
function loggerTemp(cell: string, unit: "C" | "F" | null): number | string {
  if (cell === "") return "No temperature in this line.";
  const match = NUMERIC.exec(cell.replace("−", "-"));
  if (!match) return `“${cell.slice(0, 20)}” is not a temperature.`;
  const own = match[2]?.toUpperCase().includes("F") ? "F" : match[2] ? "C" : unit;
  if (own === null)
    return "No unit: neither the column’s name nor this line says °C or °F. Name the column temp_C or temp_F.";
  const value = Number(match[1]!.replace(",", "."));
  const tempC = own === "F" ? cFromF(value) : value;
  if (tempC < COLDEST_C || tempC > WARMEST_C) return `${cell} is outside what a probe in meat can read.`;
  return tempC;
}

const ISO =
  /^(\d{4})-(\d{1,2})-(\d{1,2})[T ]+(\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;
const SLASHED =
  /^(\d{1,2})([/.])(\d{1,2})\2(\d{4})[ T,]+(\d{1,2}):(\d{2})(?::(\d{2}))?\s*(am|pm)?\s*(Z|[+-]\d{2}:?\d{2})?$/i;

/** An instant as a logger writes it, ms since 1970 UTC, or why it cannot be read. */
function loggerInstant(text: string, how: LoggerReading, previous: number | null): number | string {
  const iso = ISO.exec(text);
  const slashed = iso ? null : SLASHED.exec(text);
  let parts: number[];
  let offset: string | undefined;
  if (iso) {
    parts = [iso[1], iso[2], iso[3], iso[4], iso[5], iso[6] ?? 0].map(Number);
    offset = iso[7];
  } else if (slashed) {
    // A full stop between the numbers is a day-first way of writing wherever it is used.
    const dayFirst = slashed[2] === "." || how.dateOrder === "day-first";
    const [first, second] = [Number(slashed[1]), Number(slashed[3])];
    const half = slashed[8]?.toLowerCase();
    const hour = half ? (Number(slashed[5]) % 12) + (half === "pm" ? 12 : 0) : Number(slashed[5]);
    parts = [
      Number(slashed[4]),
      dayFirst ? second : first,
      dayFirst ? first : second,
      hour,
      Number(slashed[6]),
      Number(slashed[7] ?? 0),
    ];
    offset = slashed[9];
  } else return `“${text.slice(0, 30)}” is not a time. Write it like 2026-11-20 14:05.`;
  const [year, month, day, hour, minute, second] = parts as [number, number, number, number, number, number];
  const wall = { year, month, day, hour, minute, second };
  const zone = offset
    ? offset.toUpperCase() === "Z"
      ? "utc"
      : `utc${offset.replace(/(\d{2}):?(\d{2})$/, "$1:$2")}`
    : how.zone;
  const read = readWall(wall, zone);
  if (!read) return `“${text.slice(0, 30)}” is not a day and time that exists.`;
  if (read.is === "skipped") return `${text} did not happen here: the clocks went forward over it.`;
  if (read.is === "once") return read.at;
  // A logger goes on through the hour that comes twice: it is the first of them that is not before the line above.
  return read.at.find((at) => at >= (previous ?? -Infinity)) ?? read.at[0];
}
