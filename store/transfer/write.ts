import type Database from "better-sqlite3";
import { stringify } from "csv-stringify/sync";
import { createHash } from "node:crypto";
import { createReadStream, existsSync } from "node:fs";
import { join } from "node:path";
import { Readable, type Writable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { ZipFile } from "yazl";
import { copyLarder, layoutOf, PROGRAM_VERSION, type Larder } from "#store/db";
import { headsOf, headText, type Head } from "#store/witness";
import { safeCell } from "./cell.ts";
import { describePackage, pathOf, type Resource } from "./package.ts";
import { readmeOf } from "./readme.ts";
import { PICTURE, README } from "./unpack.ts";
import { orderOf, quoted, tablesOf, type Table } from "./tables.ts";

/** Rows turned into text at a time: the clock of a running canner is never kept waiting for longer. */
const AT_ONCE = 400;
/** No file of an archive says when it was made: the same larder makes the same archive, but for one line. */
const NO_TIME = { mtime: new Date(1980, 0, 1), mode: 0o100644, forceDosTimestamp: true };

/**
 * Writes everything that was recorded as one zip: how to read it, a CSV file for each table (RFC 4180), the photos,
 * and a description with the hash of each. It is taken from a copy, so that later writes do not tear it.
 *
 * @param to where it goes
 * @param picture returns the history code as a QR code, SVG; null for none
 */
export async function writeArchive(
  larder: Larder,
  to: Writable,
  picture: ((head: Head) => string) | null = null,
): Promise<void> {
  const { copy, drop } = await copyLarder(larder);
  try {
    const zip = new ZipFile();
    const sent = pipeline(zip.outputStream, to);
    const files: Resource[] = [];
    const layout = layoutOf(copy.sqlite);
    const heads = headsOf(copy.sqlite);
    zip.addBuffer(Buffer.from(readmeOf(layout, heads.map(headText))), README, NO_TIME);
    const log = heads.find((h) => h.chain === "audit");
    if (picture && log) zip.addBuffer(Buffer.from(picture(log)), PICTURE, NO_TIME);
    const tables = tablesOf(copy.sqlite);
    const photos = (
      copy.sqlite
        .prepare("select id from photo union select id from page_photo order by id")
        .pluck()
        .all() as string[]
    )
      .map((id) => ({ path: `photos/${id}.jpg`, at: join(larder.folder, "photos", `${id}.jpg`) }))
      .filter((p) => existsSync(p.at));
    const all = [
      ...tables.map((t) => ({ path: pathOf(t), read: () => Readable.from(csvOf(copy.sqlite, t)) })),
      ...photos.map((p) => ({ path: p.path, read: () => createReadStream(p.at) as Readable })),
    ];
    for (const { path, read } of all) {
      // One after the other: the order of the files is part of the archive.
      const done = new Promise<void>((resolve, reject) => {
        const stream = measured(path, read(), files, resolve);
        stream.on("error", reject);
        zip.addReadStream(stream, path, NO_TIME);
      });
      await Promise.race([done, sent]);
    }
    const description = describePackage(tables, files, {
      created: new Date(larder.now()).toISOString(),
      layout,
      program: PROGRAM_VERSION,
      head: log?.hash ?? null,
    });
    zip.addBuffer(Buffer.from(`${JSON.stringify(description, null, 1)}\n`), "datapackage.json", NO_TIME);
    zip.end();
    await sent;
  } finally {
    drop();
  }
}

/**
 * Returns a table as CSV in parts, with the names of its columns in the first line. Text is quoted; null is an empty
 * cell.
 */
export function* csvOf(sqlite: Database.Database, table: Table): Generator<string> {
  const names = table.columns.map((c) => c.name);
  const options = { quoted_string: true, record_delimiter: "\r\n" };
  yield stringify([names], { record_delimiter: "\r\n" });
  const rows = sqlite
    .prepare(`select ${quoted(names)} from "${table.name}" order by ${orderOf(table)}`)
    .raw()
    .iterate() as IterableIterator<(string | number | null)[]>;
  let batch: (string | number | null)[][] = [];
  for (const row of rows) {
    batch.push(row.map((cell) => (typeof cell === "string" ? safeCell(cell) : cell)));
    if (batch.length < AT_ONCE) continue;
    yield stringify(batch, options);
    batch = [];
  }
  if (batch.length) yield stringify(batch, options);
}

/** Lets a file through and writes down how long it was and its hash. */
function measured(path: string, from: Readable, files: Resource[], done: () => void): Readable {
  const hash = createHash("sha256");
  let bytes = 0;
  async function* through() {
    for await (const piece of from as AsyncIterable<string | Buffer>) {
      const data = Buffer.from(piece);
      hash.update(data);
      bytes += data.length;
      yield data;
    }
    files.push({ path, bytes, hash: `sha256:${hash.digest("hex")}` });
    done();
  }
  return Readable.from(through());
}
