import { rmSync } from "node:fs";
import { fillEvening, type Evening } from "./evening-house";
import { newFolder, startServer, test as base, type Running } from "./server";

/** A server of two loads that stand in two canners, not lit yet. */
export type RunningEvening = Running & { codes: Evening };

/** Tests with two loaded canners of their own. */
export const test = base.extend<{ evening: RunningEvening }>({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the dependencies of a fixture from this pattern
  evening: async ({}, use) => {
    const folder = newFolder();
    const codes = fillEvening(folder, Date.now());
    const server = await startServer(folder);
    await use({ ...server, codes });
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  },
});
