/**
 * Keeps a backup and an archive of the made-up household in the newest layout beside those of every layout before it, so
 * that later versions are tested on reading them. Run once a layout is done, before it leaves the house.
 */
import { createWriteStream, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { newestLayout, openLarder, PROGRAM_FOLDER } from "#store/db";
import { writeArchive } from "#store/transfer";
import { fillDemo } from "./household/index.ts";

/** Where the household's story ends. */
const END = Date.UTC(2026, 10, 28, 17);

const folder = mkdtempSync(join(tmpdir(), "larder-keep-"));
const to = join(PROGRAM_FOLDER, "store/testing/layouts", String(newestLayout()).padStart(2, "0"));
mkdirSync(to, { recursive: true });
fillDemo(folder, END);
const larder = openLarder(folder, () => END);
await writeArchive(larder, createWriteStream(join(to, "archive.zip")));
larder.sqlite.pragma("journal_mode = DELETE");
larder.close();
writeFileSync(join(to, "larder.db.gz"), gzipSync(readFileSync(join(folder, "larder.db")), { level: 9 }));
rmSync(folder, { recursive: true });
process.stdout.write(`Layout ${newestLayout()} is kept in ${to}.\n`);
