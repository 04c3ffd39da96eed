/** Every main page rendered by the server with a thousand containers, and with a lifetime of them. */
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { openLarder } from "#store/db";
import { fillLifetime } from "./lifetime.ts";
import { mediansInTurn } from "./measure.ts";
import { startBuilt, type RunningServer } from "./server.ts";
import { traceFigures } from "./trace.ts";

const LARDERS = [
  ["1,000", 20, 1_000],
  ["100,000", 2_000, 100_000],
  ["100,000, 1,000 left", 2_000, 1_000],
] as const;

/** Main pages; `{jar}`, `{run}` and `{shelf}` stand for one of the larder. */
export const PAGES = [
  "/",
  "/ask",
  "/field",
  "/cold",
  "/table",
  "/plan",
  "/pack",
  "/seam",
  "/fire",
  "/rest",
  "/larder",
  "/larder/shelf/{shelf}",
  "/larder/eating",
  "/larder/charts",
  "/c/{jar}",
  "/fire/{run}/record",
  "/shed",
  "/practice",
  "/household",
  "/records",
  "/records/history",
  "/records/backups",
  "/help",
] as const;

const ms = (n: number) => `${n.toFixed(1)} ms`;

/** What a page's address is in this larder. */
export function filledIn(page: string, folder: string): string {
  const larder = openLarder(folder);
  const one = (sql: string) => larder.sqlite.prepare(sql).pluck().get() as string;
  const path = page
    .replace("{jar}", () => one("select code from container order by rowid desc limit 1"))
    .replace("{run}", () => one("select code from run order by opened_at desc limit 1"))
    .replace("{shelf}", () => one("select id from shelf_place order by position limit 1"));
  larder.close();
  return path;
}

export async function lifetimeFigures(): Promise<[string, string][]> {
  const lines: [string, string][] = [];
  const open: { server: RunningServer; folder: string; paths: string[] }[] = [];
  for (const [what, runs, standing] of LARDERS) {
    const folder = mkdtempSync(join(tmpdir(), "larder-bench-"));
    fillLifetime(folder, runs, standing, Date.now());
    if (what === "100,000") {
      const t = await traceFigures(folder);
      lines.push(
        ["Trace of a run, 100,000 containers and 2,000 runs", ms(t.traceMs)],
        ["… ÷ the bare recursive SQL", `${(t.traceMs / t.traceBareMs).toFixed(2)} ×`],
        [`Recall by every doubt, ${Math.round(t.found)} found`, ms(t.recallMs)],
        ["… ÷ the bare recursive SQL", `${(t.recallMs / t.recallBareMs).toFixed(2)} ×`],
      );
    }
    const paths = PAGES.map((page) => filledIn(page, folder));
    open.push({ server: await startBuilt(folder), folder, paths: ["/healthz", ...paths] });
  }
  const took = new Map<string, number[]>();
  try {
    // The larders take turns at each page: the machine is faster at one time than at another.
    for (const [i, page] of ["/healthz", ...PAGES].entries()) {
      const get = (o: (typeof open)[number]) => async () =>
        void (await (await fetch(o.server.url + o.paths[i]!)).text());
      took.set(page, await mediansInTurn(open.map(get), 25, 8));
    }
  } finally {
    for (const { server, folder } of open) {
      await server.stop();
      rmSync(folder, { recursive: true, force: true });
    }
  }
  const bare = took.get("/healthz")![0]!;
  lines.push(["page", LARDERS.map(([what]) => what).join(" | ")]);
  for (const page of PAGES) {
    const [few = 0, many = 0, left = 0] = took.get(page)!;
    lines.push([
      page,
      `${ms(few)} | ${ms(many)}, ${(many / few).toFixed(2)} × | ${(left / few).toFixed(2)} × | ÷ bare route ${(few / bare).toFixed(0)} ×`,
    ]);
  }
  return lines;
}
