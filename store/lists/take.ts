import { parse } from "csv-parse";
import { stringify } from "csv-stringify/sync";
import { Readable } from "node:stream";
import { readNumber } from "#core/quantity";
import { v5 as uuidFrom } from "uuid";
import { copyLarder, once, Refused, type Larder, type Write } from "#store/db";
import { safeCell, textOfCell } from "#store/transfer";
import type { Cell, Column, Deed, List, Row } from "./list.ts";

/** Largest list that comes in. */
export const LIST_LIMIT_BYTES = 2_000_000;
const MOST_ROWS = 5_000;

/** Returns a list as CSV (RFC 4180), with units in its headings. No cell is a formula to a spreadsheet. */
export function listCsv(larder: Larder, list: List): string {
  const rows = list.rows(larder).map((row) => row.map((c) => (typeof c === "string" ? safeCell(c) : c)));
  // A mark at the beginning, by which spreadsheets know that ° and ö are meant.
  // What a program may take for the end of a cell is quoted as well, since some expect “;” or tabs.
  const quoted = { record_delimiter: "\r\n", quoted_match: /[;\t]/ };
  return `\uFEFF${stringify([list.columns.map((c) => c.head), ...rows], quoted)}`;
}

/** What became of a row, or would. */
export interface Told {
  /** line in the file, the headings being 1 */
  line: number;
  what: Deed["what"] | "refused";
  sentence: string;
}

/**
 * Returns what each row of an imported list would do, tried on a copy; nothing is changed. Throws Refused when the
 * text is no such list.
 */
export async function previewList(larder: Larder, write: Write, list: List, text: string): Promise<Told[]> {
  const rows = await rowsOf(takenIn(list), text);
  const { copy, drop } = await copyLarder(larder);
  try {
    return await takeRows(copy, write, list, rows);
  } finally {
    drop();
  }
}

/**
 * Imports a list. Returns what each row did; a refused row changes nothing. Each row is a write with a key of its own,
 * so that sending the list again repeats nothing. Throws Refused when the text is no such list.
 */
export async function takeList(larder: Larder, write: Write, list: List, text: string): Promise<Told[]> {
  return takeRows(larder, write, list, await rowsOf(takenIn(list), text));
}

function takenIn(list: List): List {
  if (!list.take) throw new Refused({ file: "This list is a record: it leaves, and does not come in." });
  return list;
}

/** So long a piece of a list may keep everybody else waiting, ms. */
const PIECE_MS = 15;

async function takeRows(larder: Larder, write: Write, list: List, rows: readonly ReadRow[]): Promise<Told[]> {
  const told: Told[] = [];
  while (told.length < rows.length) {
    // One transaction for a piece: the disk is waited for once.
    larder.sqlite
      .transaction(() => {
        const began = performance.now();
        while (told.length < rows.length && performance.now() - began < PIECE_MS)
          told.push(takeRow(larder, write, list, rows[told.length]!));
      })
      .immediate();
    await new Promise((go) => setImmediate(go));
  }
  return told;
}

function takeRow(larder: Larder, write: Write, list: List, { line, cells }: ReadRow): Told {
  try {
    const row = readRow(list.columns, cells);
    const by = { ...write, key: keyOfRow(write.key, list, line) };
    const deed = once(larder, by, "list.row", () => ({ result: list.take!(larder, by, row), note: null }), {
      eachAudited: true,
    });
    return { line, ...deed };
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    return { line, what: "refused", sentence: error.message };
  }
}

/** Keys of rows are in a space of their own (UUID version 5, RFC 9562). */
const ROWS = "6d0b8a53-0a0f-4f7e-9a39-2f6f6f1f3b55";
const keyOfRow = (key: string, list: List, line: number) => uuidFrom(`${key} ${list.key} ${line}`, ROWS);

/** What ends a cell: whichever of “,”, “;” and a tab stands most often in the first line. No heading has one in it. */
function delimiterOf(text: string): string {
  const [heads = ""] = text.trimStart().split(/[\r\n]/, 1);
  const count = (c: string) => heads.split(c).length;
  return [",", ";", "\t"].reduce((most, c) => (count(c) > count(most) ? c : most));
}

interface ReadRow {
  line: number;
  cells: Record<string, string>;
}

/** So much of a list is parsed at once, bytes: a few milliseconds. */
const PARSED_BYTES = 16_384;

/** The bytes of a text in pieces, others being answered in between. */
async function* inPieces(text: string): AsyncGenerator<Buffer> {
  const bytes = Buffer.from(text);
  for (let at = 0; at < bytes.length; at += PARSED_BYTES) {
    yield bytes.subarray(at, at + PARSED_BYTES);
    await new Promise((go) => setImmediate(go));
  }
}

async function rowsOf(list: List, text: string): Promise<ReadRow[]> {
  const records: { record: Record<string, string>; info: { lines: number } }[] = [];
  const known = new Map(list.columns.map((c) => [c.head.toLowerCase(), c.head]));
  try {
    const parser = parse({
      bom: true,
      delimiter: delimiterOf(text),
      skip_empty_lines: true,
      trim: true,
      info: true,
      max_record_size: 20_000,
      columns: (heads: string[]) => {
        const lower = heads.map((h) => h.toLowerCase());
        const strange = lower.filter((h) => !known.has(h) && h !== "");
        if (strange.length)
          throw new Refused({
            file: `“${strange[0]!.slice(0, 40)}” is no column of this list. It has: ${[...known.values()].join(", ")}.`,
          });
        if (new Set(lower).size < lower.length) throw new Refused({ file: "A column is in it twice." });
        return lower.map((h) => known.get(h) ?? false);
      },
    });
    for await (const record of Readable.from(inPieces(text)).pipe(parser)) records.push(record);
  } catch (error) {
    if (error instanceof Refused) throw error;
    throw new Refused({ file: `This cannot be read as CSV: ${(error as Error).message.split("\n")[0]}.` });
  }
  if (records.length === 0) throw new Refused({ file: "There are no rows in it." });
  if (records.length > MOST_ROWS)
    throw new Refused({ file: `More than ${MOST_ROWS.toLocaleString("en")} rows. Send it in parts.` });
  return records.map(({ record, info }) => ({ line: info.lines, cells: record }));
}

function readRow(columns: readonly Column[], cells: Record<string, string>): Row {
  // A column that is not in the file is not in the row: what it is about stays as it is.
  const there = columns.filter((c) => c.head in cells);
  return Object.fromEntries(there.map((c) => [c.head, readCell(c, textOfCell(cells[c.head]!))]));
}

function readCell({ head, kind, max = 200 }: Column, text: string): Cell {
  if (text === "") return null;
  const wrong = (what: string): never => {
    throw new Refused({ [head]: `${head}: “${text.slice(0, 40)}” is no ${what}.` });
  };
  switch (kind) {
    case "text":
      return text.length > max ? wrong(`text of at most ${max} letters`) : text;
    case "whole":
      return /^-?\d{1,9}$/.test(text) ? Number(text) : wrong("whole number");
    case "number": {
      const minus = text.startsWith("-");
      const values = readNumber(minus ? text.slice(1) : text);
      // A point is the sign of decimals in a file; a comma before three digits could be either.
      const value = text.includes(",") && values.length > 1 ? undefined : values[0];
      if (value === undefined && values.length > 1)
        return wrong("number with one reading: write it with a point");
      return value === undefined ? wrong("number") : minus ? -value : value;
    }
    case "day": {
      const day = /^\d{4}-\d\d-\d\d$/.test(text) ? new Date(`${text}T00:00:00Z`) : null;
      return day && !Number.isNaN(day.getTime()) && day.toISOString().startsWith(text)
        ? text
        : wrong("day like 2026-11-20");
    }
    case "instant": {
      const at = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$/.test(text)
        ? Date.parse(text)
        : NaN;
      return Number.isNaN(at) ? wrong("instant with its zone, like 2026-11-20T14:05:00Z") : at;
    }
  }
}
