/** `npm run verify -- [folder or copy]`: whether a larder's file is sound and its past fits. Ends with 1 when not. */
import Database from "better-sqlite3";
import { existsSync, statSync } from "node:fs";
import { join, resolve } from "node:path";
import { unsoundness, type Larder } from "#store/db";
import { verifyLarder } from "#store/history";

const given = resolve(process.argv[2] ?? process.env.LARDER_DATA ?? "data");
const path = existsSync(given) && statSync(given).isDirectory() ? join(given, "larder.db") : given;
if (!existsSync(path)) {
  console.error(`There is no larder at ${path}.`);
  process.exit(2);
}
// Only read: a file that is looked at is not touched, and its layout is not changed.
const sqlite = new Database(path, { readonly: true });
const wrong = unsoundness(sqlite);
for (const what of wrong) console.log(`✕ ${what}`);
const { runs, lines, head, broken } = verifyLarder({ sqlite, now: Date.now } as Larder);
for (const b of broken) console.log(`✕ ${b.code ?? "The audit"}: ${b.what}`);
if (wrong.length + broken.length === 0)
  console.log(
    `It fits: ${lines} lines of the audit and of ${runs} runs. The last hash is ${head ?? "none"}.`,
  );
process.exitCode = wrong.length + broken.length === 0 ? 0 : 1;
