import { CsvError, parse } from "csv-parse";
import { Readable } from "node:stream";
import { loggerColumns, loggerReader, type LoggerReading, type LoggerRow, type RefusedRow } from "#core/cold";
import { Refused } from "#store/db";

/** Most readings taken from one file: two months at one a minute. */
export const MOST_ROWS = 100_000;
/** Largest file read, bytes. */
export const MOST_BYTES = 20_000_000;
/** Refused lines that are told one by one; the rest are counted. */
const MOST_TOLD = 200;

export interface LogFile {
  rows: LoggerRow[];
  /** lines refused, the first of them in `refused` */
  refusedCount: number;
  refused: RefusedRow[];
}

const TOO_LONG = `This file holds more than ${MOST_ROWS.toLocaleString("en-US")} readings. Nothing was taken in. Send it in parts, or set the logger to one reading every few minutes.`;

/**
 * Returns the readings of a logger's CSV file, °C at ms since 1970 UTC, and each refused line with its number and
 * reason. The file is read line by line, never as a whole. Throws Refused at `file` or `probe` when nothing in it can
 * be used.
 *
 * @param bytes the file in parts
 * @param how zone, unit and order of dates where the file does not say
 * @param probe which one was in this animal; null when the file has one only
 */
export async function readLogFile(
  bytes: AsyncIterable<Uint8Array>,
  how: LoggerReading,
  probe: string | null,
): Promise<LogFile> {
  const { head, all } = await peek(bytes);
  const parser = parse({
    bom: true,
    delimiter: delimiterOf(head),
    relax_column_count: true,
    relax_quotes: true,
    info: true,
    max_record_size: 10_000,
    skip_records_with_error: true,
  });
  const source = Readable.from(all);
  // An upload that breaks off ends the reading, and is not an error of ours.
  source.on("error", (error) => parser.destroy(error));
  source.pipe(parser);
  try {
    return onlyProbe(...(await readLines(parser, how, probe)));
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    throw new Refused({ file: "This file does not read as a table of commas, semicolons or tabs." });
  } finally {
    source.destroy();
  }
}

async function readLines(
  parser: AsyncIterable<{ record: string[]; info: { lines: number } }>,
  how: LoggerReading,
  probe: string | null,
): Promise<Parameters<typeof onlyProbe>> {
  let read: ReturnType<typeof loggerReader> | null = null;
  const found: LogFile = { rows: [], refusedCount: 0, refused: [] };
  const refuse = (row: RefusedRow) => {
    found.refusedCount++;
    if (found.refused.length < MOST_TOLD) found.refused.push(row);
  };
  for await (const { record, info } of parser) {
    if (!read) {
      if (record.every((c) => c.trim() === "")) continue;
      const columns = loggerColumns(record);
      if (typeof columns === "string") throw new Refused({ file: columns });
      read = loggerReader(columns, how);
      continue;
    }
    const line = read(info.lines, record);
    found.rows.push(...line.rows);
    line.refused.forEach(refuse);
    if (found.rows.length + found.refusedCount > MOST_ROWS) throw new Refused({ file: TOO_LONG });
  }
  if (!read) throw new Refused({ file: "This file is empty." });
  return [found, probe, refuse];
}

function onlyProbe(found: LogFile, probe: string | null, refuse: (row: RefusedRow) => void): LogFile {
  const probes = [...new Set(found.rows.map((r) => r.probe))];
  if (probe === null) {
    if (probes.length > 1)
      throw new Refused({
        probe: `There are ${probes.length} probes in this file: ${probes.map((p) => p || "one without a name").join(", ")}. Write here which of them hung in this animal.`,
      });
    return found;
  }
  const wanted = probes.find((p) => p.toLowerCase() === probe.toLowerCase());
  if (wanted === undefined)
    throw new Refused({
      probe: `No probe of this file is called ${probe}. It has: ${probes.map((p) => p || "one without a name").join(", ") || "none"}.`,
    });
  for (const other of probes.filter((p) => p !== wanted)) {
    const count = found.rows.filter((r) => r.probe === other).length;
    refuse({ line: 0, reason: `${count} readings of the other probe, ${other || "without a name"}.` });
    found.refusedCount += count - 1;
  }
  return { ...found, rows: found.rows.filter((r) => r.probe === wanted) };
}

/** The first piece of a stream, and the stream with that piece put back. */
async function peek(
  bytes: AsyncIterable<Uint8Array>,
): Promise<{ head: string; all: AsyncIterable<Uint8Array> }> {
  const iterator = bytes[Symbol.asyncIterator]();
  const first = await iterator.next();
  if (first.done) throw new Refused({ file: "This file is empty." });
  return {
    head: new TextDecoder().decode(first.value.slice(0, 4096)),
    all: (async function* () {
      yield first.value;
      for (let next = await iterator.next(); !next.done; next = await iterator.next()) yield next.value;
    })(),
  };
}

/** What stands between the columns, from the first line; a comma when nothing tells. */
function delimiterOf(head: string): string {
  const line = head.split(/\r?\n/, 1)[0] ?? "";
  const counts = [";", "\t", ","].map((d) => [d, line.split(d).length] as const);
  return counts.sort((a, b) => b[1] - a[1])[0]![0];
}
