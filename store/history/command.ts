/**
 * `npm run verify -- [folder or backup] [--paper HEAD] [--signed FILE] [--key FINGERPRINT]`: whether a larder's file is
 * sound, and its history is what it was when it was written, printed and signed. Ends with 1 when not.
 */
import { existsSync, statSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { inspectFile } from "#store/backup";
import { readHead } from "#store/witness";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    paper: { type: "string", multiple: true, default: [] },
    signed: { type: "string", multiple: true, default: [] },
    key: { type: "string", multiple: true, default: [] },
  },
});
const given = resolve(positionals[0] ?? process.env.LARDER_DATA ?? "data");
const path = existsSync(given) && statSync(given).isDirectory() ? join(given, "larder.db") : given;
const stop = (why: string): never => {
  console.error(why);
  process.exit(2);
};
if (!existsSync(path)) stop(`There is no larder at ${path}.`);
for (const text of values.paper)
  if (!readHead(text))
    stop(`“${text}” is not what stands on a record. Example: R3T-7/41/7K3M9-2XQ4T-8HNWP-A6C2D.`);
// A backup's signatures are those of the larder it was made of.
const folder = dirname(path).endsWith("backups") ? dirname(dirname(path)) : dirname(path);
const { wrong, past, witnessed } = inspectFile(path, {
  folder,
  papers: values.paper,
  files: values.signed.map((f) => resolve(f)),
  trusted: values.key,
});
const broken = [...(past?.broken ?? []), ...(witnessed?.broken ?? [])];
for (const what of wrong) console.log(`✕ ${what}`);
for (const b of broken) console.log(`✕ ${b.code ?? "Activity log"}: ${b.what}`);
for (const note of witnessed?.notes ?? []) console.log(`  ${note}`);
if (past && witnessed && broken.length === 0) {
  console.log(`No damage found: ${past.lines} lines of the activity log and of ${past.runs} runs.`);
  console.log(`Last hash: ${past.head ?? "none"}`);
  console.log(
    witnessed.points
      ? `The same as was printed or signed at ${witnessed.points} lines (${witnessed.statements} signatures, key ${witnessed.fingerprint ?? "none"}).`
      : "Nothing was printed or signed to compare with.",
  );
}
process.exitCode = wrong.length + broken.length === 0 ? 0 : 1;
