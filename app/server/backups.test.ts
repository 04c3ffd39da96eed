import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, expect, test } from "vitest";
import { applyRules, dropRules } from "#store/db";
import { packPints, testLarder } from "#store/testing";
import { lookThrough } from "./backups";
import { foundInPast } from "./verified";
import { damage, mended } from "./trouble";

const log = { error: () => undefined };
const household = () => testLarder(mkdtempSync(join(tmpdir(), "larder-past-")));

afterEach(async () => {
  mended();
  await lookThrough(testLarder().larder, log);
});

test("while the larder is served, damage to the table of hashes itself is noticed", async () => {
  const t = household();
  packPints(t);
  await lookThrough(t.larder, log);
  expect(foundInPast()).toEqual([]);
  const { sqlite } = t.larder;
  dropRules(sqlite);
  expect(sqlite.prepare("update chain_link set hash = 'x' where seq = 2").run().changes).toBe(1);
  applyRules(sqlite);
  await lookThrough(t.larder, log);
  expect(foundInPast().join(" ")).toMatch(/Line 2/);
  expect(damage()).toBeNull();
});
