import { createHash } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { resolve } from "node:path";
import { buildAlone } from "../alone";
import { CHECK_SCRIPT } from "../recall-check/script";

/** Typefaces of scripts that the interface is not written in are fetched when a name needs them. */
const SELDOM = /-(cyrillic|cyrillic-ext|greek|greek-ext|vietnamese|latin-ext)-/;
/** Built beside the pages, and no part of them. */
const APART = ["sw.js", CHECK_SCRIPT];
const isShell = (path: string) => !SELDOM.test(path) && !APART.includes(path);

/** Returns what the shell is made of: every file of the build that a page may need, with what tells it from the one before. */
export function shellOf(client: string): { url: string; revision: string | null }[] {
  return readdirSync(client, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => `${entry.parentPath.slice(client.length)}/${entry.name}`.replaceAll("\\", "/").slice(1))
    .filter(isShell)
    .sort()
    .map((path) => ({
      url: `/${path}`,
      // The name of a part changes with what is in it.
      revision: path.startsWith("assets/") ? null : hash(readFileSync(resolve(client, path))),
    }));
}

const hash = (of: string | Buffer) => createHash("sha256").update(of).digest("hex").slice(0, 16);

/** Builds what keeps pages for when there is no network, beside the pages, with the list of what it keeps. */
export async function buildOffline(client: string): Promise<void> {
  const shell = shellOf(client);
  // One file that any browser takes as a worker.
  await buildAlone(client, resolve(import.meta.dirname, "main.ts"), "sw.js", {
    SHELL: JSON.stringify(shell),
    BUILD: JSON.stringify(hash(JSON.stringify(shell))),
    "process.env.NODE_ENV": JSON.stringify("production"),
  });
}
