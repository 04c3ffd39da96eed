import fc from "fast-check";
import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import {
  backupIsDue,
  backupsToKeep,
  listBackups,
  previewBackup,
  replaceDamaged,
  restoreBackup,
  takeBackup,
  type Dated,
} from "#store/backup";
import { openLarder, Refused } from "#store/db";
import { listHarvests } from "#store/harvest";
import { verifyLarder } from "#store/history";
import { packPints, testLarder } from "./testing/larder.ts";

const folder = () => mkdtempSync(join(tmpdir(), "larder-backup-"));
const DAY = 86_400_000;

test("a copy is made while the larder is open, is sound, and says when and why it was made", async () => {
  const t = testLarder(folder());
  const copy = await takeBackup(t.larder, "by-hand");
  expect(copy).toMatchObject({ why: "by-hand", at: t.larder.now() });
  expect(await previewBackup(t.larder, copy.name)).toMatchObject({
    wrong: [],
    counts: expect.arrayContaining([{ what: "lots", then: 1, now: 1 }]),
  });
  expect(readdirSync(join(t.larder.folder, "backups")).filter((n) => !n.endsWith(".db"))).toEqual([]);
});

test("restoring brings back what was, keeps what there was, and the larder goes on", async () => {
  const t = testLarder(folder());
  const copy = await takeBackup(t.larder, "daily");
  packPints(t);
  t.pass(1);
  await restoreBackup(t.larder, copy.name, { write: t.write(), reason: "a test" });
  expect(t.larder.sqlite.prepare("select count(*) from pack").pluck().get()).toBe(0);
  expect(verifyLarder(t.larder).broken).toEqual([]);
  packPints(t);
  const before = listBackups(t.larder.folder).find((c) => c.why === "before-restore")!;
  expect((await previewBackup(t.larder, before.name)).wrong).toEqual([]);
  t.pass(1);
  await restoreBackup(t.larder, before.name, { write: t.write(), reason: "a test" });
  expect(t.larder.sqlite.prepare("select count(*) from pack").pluck().get()).toBe(1);
  expect(existsSync(join(t.larder.folder, "arriving"))).toBe(false);
});

test("a token taken back after a copy was made does not come back with it", async () => {
  const t = testLarder(folder());
  const insert =
    "insert into device_token (id, name, right, hash, created_at) values (?, 'Clock', 'read', ?, 1)";
  t.larder.sqlite.prepare(insert).run("a", "1");
  t.larder.sqlite.prepare(insert).run("b", "2");
  const copy = await takeBackup(t.larder, "daily");
  t.larder.sqlite.prepare("update device_token set revoked_at = 5 where id = 'a'").run();
  await restoreBackup(t.larder, copy.name, { write: t.write(), reason: "a test" });
  expect(
    t.larder.sqlite.prepare("select id from device_token where revoked_at is null").pluck().all(),
  ).toEqual(["b"]);
});

test("a damaged copy is refused with its reason, and nothing changes", async () => {
  const t = testLarder(folder());
  const copy = await takeBackup(t.larder, "daily");
  const path = join(t.larder.folder, "backups", copy.name);
  const bytes = readFileSync(path);
  bytes.fill(0x5a, 4096, 40_000);
  writeFileSync(path, bytes);
  expect((await previewBackup(t.larder, copy.name)).wrong[0]).toMatch(/damaged|cannot be read/);
  await expect(restoreBackup(t.larder, copy.name, { write: t.write(), reason: "a test" })).rejects.toThrow(
    Refused,
  );
  expect(listHarvests(t.larder)).toHaveLength(1);
});

test("a file that cannot be opened any more gives way to a copy, and is kept", async () => {
  const at = folder();
  const t = testLarder(at);
  const copy = await takeBackup(t.larder, "daily");
  t.larder.close();
  writeFileSync(join(at, "larder.db"), "not a database at all, and long enough to be looked at ".repeat(20));
  expect(() => openLarder(at)).toThrow(/not a database/);
  replaceDamaged(at, copy.name, Date.UTC(2026, 11, 1));
  const again = openLarder(at);
  expect(listHarvests(again)).toHaveLength(1);
  expect(readdirSync(join(at, "backups")).some((n) => n.startsWith("damaged-"))).toBe(true);
});

test("a copy is due a day after the last, and only when something was written since", async () => {
  const t = testLarder(folder());
  expect(backupIsDue(t.larder)).toBe(true);
  await takeBackup(t.larder, "daily");
  t.pass(25 * 60);
  expect(backupIsDue(t.larder)).toBe(false);
  packPints(t);
  expect(backupIsDue(t.larder)).toBe(true);
});

const anyCopies = fc
  .uniqueArray(fc.integer({ min: 0, max: 900 }), { minLength: 1, maxLength: 300 })
  .map((days) => days.map((d): Dated => ({ name: `${d}`, at: d * DAY + 3600_000, why: "daily" })));

test("of daily copies the last seven days, five weeks and twelve months that have one are kept, and never more than 24", () => {
  fc.assert(
    fc.property(anyCopies, (copies) => {
      const keep = backupsToKeep(copies);
      const newest = [...copies].sort((a, b) => b.at - a.at);
      expect(newest.slice(0, 7).every((c) => keep.has(c.name))).toBe(true);
      expect(keep.size).toBeLessThanOrEqual(7 + 5 + 12);
      const months = new Set(copies.map((c) => new Date(c.at).toISOString().slice(0, 7)));
      const keptMonths = new Set([...keep].map((n) => new Date(Number(n) * DAY).toISOString().slice(0, 7)));
      expect(keptMonths.size).toBeGreaterThanOrEqual(Math.min(12, months.size));
    }),
  );
});

test("rotating day by day keeps what rotating once at the end would keep of the newest week", () => {
  let copies: Dated[] = [];
  for (let day = 0; day < 500; day++) {
    copies.push({ name: `${day}`, at: day * DAY, why: "daily" });
    const keep = backupsToKeep(copies);
    copies = copies.filter((c) => keep.has(c.name));
  }
  expect(copies.length).toBeLessThanOrEqual(24);
  expect(copies.filter((c) => Number(c.name) >= 493)).toHaveLength(7);
  // More than ten months back there is still one.
  expect(Math.min(...copies.map((c) => Number(c.name)))).toBeLessThan(500 - 305);
});
