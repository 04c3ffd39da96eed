import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fillDemo } from "#demo/household";

/** Where the made-up household was filled, and what its clock showed then, for the workers that copy it. */
const NAME = "LARDER_TEST_HOUSEHOLD";

/** The made-up household as it was filled: its folder, and the instant its story ends, ms since 1970 UTC. */
export function filledHousehold(): { folder: string; at: number } {
  const [at, ...folder] = (process.env[NAME] ?? "").split(":");
  if (!at || folder.length === 0)
    throw new Error("the household is filled before the tests, by the configuration");
  return { folder: folder.join(":"), at: Number(at) };
}

/** Fills the household once for all tests: filling takes seconds, copying none. @returns how to clear it away */
export default function fillHousehold(): () => void {
  const folder = mkdtempSync(join(tmpdir(), "larder-e2e-household-"));
  const at = Date.now();
  fillDemo(folder, at);
  process.env[NAME] = `${at}:${folder}`;
  return () => rmSync(folder, { recursive: true, force: true });
}
