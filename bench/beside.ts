/**
 * `npx tsx bench/beside.ts <checkout>`: every main page of this checkout beside those of another one that was built too, in
 * one run. Both serve copies of the same larders, of 1,000 and of 100,000 jars, and take turns at each page.
 */
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import { PROGRAM_FOLDER } from "#store/db";
import { fillLifetime } from "./lifetime.ts";
import { mediansInTurn } from "./measure.ts";
import { filledIn, PAGES } from "./pages.ts";
import { bareSize, sizeOf } from "./script.ts";
import { startBuilt, type RunningServer } from "./server.ts";

const other = resolve(process.argv[2] ?? "");
const folders: string[] = [];
const servers: RunningServer[] = [];

async function serve(from: string, checkout: string): Promise<RunningServer> {
  const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
  folders.push(folder);
  cpSync(from, folder, { recursive: true });
  const server = await startBuilt(folder, {}, undefined, undefined, checkout);
  servers.push(server);
  return server;
}

const get = (server: RunningServer, path: string) => async () =>
  void (await (await fetch(server.url + path)).text());
const text = async (server: RunningServer, path: string) => (await fetch(server.url + path)).text();

/** Bytes of what stands above a page: the line of clocks and the row of places, with the bar of a phone. */
function headBytes(html: string): number {
  const main = html.indexOf("<main");
  const before = html.slice(html.indexOf("<header"), main).length;
  const after = html.slice(html.indexOf("</main>") + 7);
  const bar = after.slice(0, after.indexOf("<script"));
  return before + bar.length;
}

const all: { old: RunningServer; now: RunningServer; folder: string }[] = [];
try {
  const bare = await bareSize();
  for (const [runs, standing] of [
    [20, 1_000],
    [2_000, 100_000],
  ] as const) {
    const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
    folders.push(folder);
    fillLifetime(folder, runs, standing, Date.now());
    all.push({ old: await serve(folder, other), now: await serve(folder, PROGRAM_FOLDER), folder });
  }
  const [few, many] = all as [(typeof all)[number], (typeof all)[number]];
  console.log(
    "| page | before | now | ÷ bare route, before | now | 100,000 ÷ 1,000, now | script ÷ bare, before | now | head, before | now |",
  );
  console.log(`|${" --- |".repeat(10)}`);
  for (const page of PAGES) {
    const path = filledIn(page, few.folder);
    const far = filledIn(page, many.folder);
    const [healthz = 1, before = 0, now = 0, lifetime = 0] = await mediansInTurn(
      [get(few.now, "/healthz"), get(few.old, path), get(few.now, path), get(many.now, far)],
      25,
      8,
    );
    const [was, is] = [await text(few.old, path), await text(few.now, path)];
    const script = (html: string, checkout: string) =>
      (sizeOf(html, join(checkout, "build/client")).packed / bare.packed).toFixed(2);
    const kB = (html: string) =>
      html.includes("<header") ? `${(headBytes(html) / 1000).toFixed(1)} kB` : "none";
    console.log(
      `| \`${page}\` | ${before.toFixed(1)} ms | ${now.toFixed(1)} ms | ${(before / healthz).toFixed(1)} × | ${(now / healthz).toFixed(1)} × | ${(lifetime / now).toFixed(2)} × | ${script(was, other)} × | ${script(is, PROGRAM_FOLDER)} × | ${kB(was)} | ${kB(is)} |`,
    );
  }
} finally {
  for (const server of servers) await server.stop();
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
}
