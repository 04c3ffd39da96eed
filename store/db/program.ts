import { existsSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** Where the program lies: the folder of its package.json, wherever it was started from, built or from its sources. */
export const PROGRAM_FOLDER = upTo("package.json", dirname(fileURLToPath(import.meta.url)));

function upTo(name: string, from: string): string {
  for (let at = from; ; at = dirname(at)) {
    if (existsSync(join(at, name))) return at;
    if (dirname(at) === at) throw new Error(`there is no ${name} above ${from}`);
  }
}

/** The program's version, as CHANGELOG.md tells of it. */
export const PROGRAM_VERSION = (
  JSON.parse(readFileSync(join(PROGRAM_FOLDER, "package.json"), "utf8")) as { version: string }
).version;
