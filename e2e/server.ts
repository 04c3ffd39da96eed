import { test as base } from "@playwright/test";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fillDemo } from "#demo/household";
import { startBuilt, type RunningServer } from "../bench/server";

/** A server of its own for a test, on a folder of its own, with a clock that can be moved. */
export interface Running extends RunningServer {
  folder: string;
  /** moves its clock on, minutes */
  pass(minutes: number): Promise<void>;
}

export function newFolder(): string {
  return mkdtempSync(join(tmpdir(), "larder-e2e-"));
}

export async function startServer(folder: string): Promise<Running> {
  const server = await startBuilt(folder, { LARDER_TEST_CLOCK: "1", LARDER_SHOW_UI: "1" });
  return {
    ...server,
    folder,
    async pass(minutes) {
      const body = JSON.stringify({ ms: minutes * 60_000 });
      await fetch(`${server.url}/test/clock`, {
        method: "POST",
        headers: { "Content-Type": "application/json" },
        body,
      });
    },
  };
}

/**
 * A larder that is empty; the made-up household, shared by the tests of a worker and only looked at; and the same for a
 * test of its own, to change.
 */
export const test = base.extend<{ empty: Running; own: Running }, { demo: Running }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the dependencies of a fixture from this pattern
  empty: async ({}, use) => {
    const folder = newFolder();
    const server = await startServer(folder);
    await use(server);
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  },
  // eslint-disable-next-line no-empty-pattern -- as above
  own: async ({}, use) => {
    const folder = newFolder();
    fillDemo(folder, Date.now());
    const server = await startServer(folder);
    await use(server);
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  },
  demo: [
    // eslint-disable-next-line no-empty-pattern -- as above
    async ({}, use) => {
      const folder = newFolder();
      fillDemo(folder, Date.now());
      const server = await startServer(folder);
      await use(server);
      await server.stop();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: "worker" },
  ],
});

export { expect } from "@playwright/test";
