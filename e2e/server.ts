import { test as base, type Browser, type Page } from "@playwright/test";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { startBuilt, type RunningServer } from "../bench/server";
import { filledHousehold } from "./household";

/** A server of its own for a test, on a folder of its own, with a clock that can be moved. */
export interface Running extends RunningServer {
  folder: string;
  /** moves its clock on, minutes */
  pass(minutes: number): Promise<void>;
  /** what its clock said at the start, less what the machine's did, ms */
  aheadMs: number;
}

export function newFolder(): string {
  return mkdtempSync(join(tmpdir(), "larder-e2e-"));
}

/** @param at the instant its clock begins at, ms since 1970 UTC; null for the machine's own @param pace how fast it runs */
export async function startServer(folder: string, at: number | null = null, pace = 1): Promise<Running> {
  const began = Date.now();
  const env = {
    LARDER_TEST_CLOCK: "1",
    LARDER_SHOW_UI: "1",
    LARDER_TEST_CLOCK_AT: `${began},${at ?? began},${pace}`,
  };
  const server = await startBuilt(folder, env);
  return {
    ...server,
    folder,
    aheadMs: (at ?? began) - began,
    async pass(minutes) {
      await allSent(server.url);
      const body = JSON.stringify({ ms: minutes * 60_000 });
      await fetch(`${server.url}/test/clock`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body,
      });
    },
  };
}

let browserOfWorker: Browser | null = null;

/**
 * Waits until what was pressed on any page of this server has arrived: a clock that is moved while a tap is on its way
 * would make it one of another time. A page that cannot reach its server is not waited for.
 */
async function allSent(of: string): Promise<void> {
  const pages = (browserOfWorker?.contexts() ?? [])
    .flatMap((c) => c.pages())
    .filter((p) => p.url().startsWith(of));
  const unsent = (page: Page) =>
    page.evaluate(() => Boolean(document.documentElement.dataset.unsent)).catch(() => false);
  for (let i = 0; i < 60; i++) {
    if (!(await Promise.all(pages.map(unsent))).some(Boolean)) return;
    await new Promise((r) => setTimeout(r, 50));
  }
}

/** The made-up household in a folder of its own, with a server whose clock stands where the household's story ends. */
async function startHousehold(pace = 1): Promise<Running> {
  const filled = filledHousehold();
  const folder = newFolder();
  cpSync(filled.folder, folder, { recursive: true });
  return startServer(folder, filled.at, pace);
}

async function end(server: Running): Promise<void> {
  await server.stop();
  rmSync(server.folder, { recursive: true, force: true });
}

/** The household that is only looked at is looked at for twenty minutes: an alarm that comes meanwhile is another's test. */
const DEMO_PACE = 0.25;

const STARTS = { empty: () => startServer(newFolder()), own: () => startHousehold() };
type Kind = keyof typeof STARTS;

/** One of each kind that was started while the test before was still on; most of a start is waiting. */
const ahead = new Map<Kind, Promise<Running>>();

/** Hands a server of this kind to a test, and starts the next one meanwhile. */
async function handOut(kind: Kind, use: (server: Running) => Promise<void>): Promise<void> {
  const server = await (ahead.get(kind) ?? STARTS[kind]());
  ahead.set(kind, STARTS[kind]());
  await use(server);
  await end(server);
}

/**
 * A larder that is empty; the made-up household, shared by the tests of a worker and only looked at; and the same for a
 * test of its own, to change.
 */
export const test = base.extend<{ empty: Running; own: Running }, { demo: Running; clearedUp: null }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the dependencies of a fixture from this pattern
  empty: ({}, use) => handOut("empty", use),
  // eslint-disable-next-line no-empty-pattern -- as above
  own: ({}, use) => handOut("own", use),
  demo: [
    // eslint-disable-next-line no-empty-pattern -- as above
    async ({}, use) => {
      const server = await startHousehold(DEMO_PACE);
      await use(server);
      await end(server);
    },
    { scope: "worker" },
  ],
  clearedUp: [
    async ({ browser }, use) => {
      browserOfWorker = browser;
      await use(null);
      for (const server of ahead.values()) await end(await server);
    },
    { scope: "worker", auto: true },
  ],
});

export { expect } from "@playwright/test";
