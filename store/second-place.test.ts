import {
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import {
  checkFile,
  copyToSecondPlace,
  removeSecondPlace,
  isOverdue,
  listBackups,
  previewBackup,
  secondPlaceOf,
  setSecondPlace,
  takeBackup,
} from "#store/backup";
import { once, type Refused } from "#store/db";
import { testLarder, type TestLarder } from "./testing/larder.ts";

const folder = (name: string) => mkdtempSync(join(tmpdir(), `larder-${name}-`));
const DAY_MIN = 24 * 60;
const note = (t: TestLarder) =>
  once(t.larder, t.write(), "test.note", () => ({ result: null, note: { kind: "test", id: "1" } }));

async function withPlace(): Promise<{ t: TestLarder; stick: string }> {
  const t = testLarder(folder("home"));
  const stick = folder("stick");
  await setSecondPlace(t.larder, t.write(), stick);
  return { t, stick };
}
const refusalOf = (work: Promise<unknown>) =>
  work.then(
    () => null,
    (error: Refused) => error.fields,
  );
const there = (stick: string) => readdirSync(stick).filter((n) => n.endsWith(".db"));

test("each backup and its signature go there, sound, and older ones go as the rotation says", async () => {
  const { t, stick } = await withPlace();
  for (let day = 0; day < 12; day++) {
    note(t);
    await takeBackup(t.larder, "daily");
    expect(await copyToSecondPlace(t.larder)).toBeNull();
    t.pass(DAY_MIN);
  }
  expect(there(stick).sort()).toEqual(
    listBackups(t.larder.folder)
      .map((c) => c.name)
      .sort(),
  );
  expect(readdirSync(join(stick, "witness"))).toHaveLength(12);
  for (const name of there(stick)) expect(checkFile(join(stick, name)), name).toEqual([]);
  expect(secondPlaceOf(t.larder.folder)).toMatchObject({
    trouble: null,
    lastAt: t.larder.now() - DAY_MIN * 60_000,
  });
  expect(readdirSync(stick).filter((n) => n.endsWith(".part"))).toEqual([]);
});

test("what no backup can go to is refused at its field, with what is wrong", async () => {
  const t = testLarder(folder("home"));
  const file = join(folder("stick"), "file");
  writeFileSync(file, "x");
  const inside = join(t.larder.folder, "inside");
  mkdirSync(inside);
  for (const [path, why] of [
    ["media/stick", /whole path/],
    [join(tmpdir(), "larder-nowhere-at-all"), /no such folder/],
    [file, /This is a file/],
    [inside, /inside the larder's own folder/],
    [t.larder.folder, /inside the larder's own folder/],
    ["/proc", /Nothing can be written there/],
  ] as const)
    expect(await refusalOf(setSecondPlace(t.larder, t.write(), path)), path).toEqual({
      path: expect.stringMatching(why) as string,
    });
  expect(secondPlaceOf(t.larder.folder)).toBeNull();
});

test("a folder on the same disk is taken, and called what it is", async () => {
  const { t } = await withPlace();
  expect(secondPlaceOf(t.larder.folder)!.sameDisk).toBe(true);
});

test("a stick that is not plugged in is said, its empty folder is not filled, and after three days it is overdue", async () => {
  const { t, stick } = await withPlace();
  await takeBackup(t.larder, "daily");
  await copyToSecondPlace(t.larder);
  renameSync(stick, `${stick}-away`);
  mkdirSync(stick);
  note(t);
  t.pass(DAY_MIN);
  await takeBackup(t.larder, "daily");
  expect(await copyToSecondPlace(t.larder)).toMatch(/is not there. Plug the disk in/);
  expect(readdirSync(stick)).toEqual([]);
  expect(isOverdue(t.larder.folder, t.larder.now())).toBe(false);
  t.pass(3 * DAY_MIN);
  expect(isOverdue(t.larder.folder, t.larder.now())).toBe(true);
  rmSync(stick, { recursive: true });
  renameSync(`${stick}-away`, stick);
  expect(await copyToSecondPlace(t.larder)).toBeNull();
  expect(isOverdue(t.larder.folder, t.larder.now())).toBe(false);
});

test("looked for again, a backup that is there went there when it did, and not now", async () => {
  const { t } = await withPlace();
  await takeBackup(t.larder, "daily");
  await copyToSecondPlace(t.larder);
  const { lastAt } = secondPlaceOf(t.larder.folder)!;
  t.pass(10);
  expect(await copyToSecondPlace(t.larder)).toBeNull();
  expect(secondPlaceOf(t.larder.folder)!.lastAt).toBe(lastAt);
});

test("nothing is overdue while nothing was written since", async () => {
  const { t } = await withPlace();
  await takeBackup(t.larder, "daily");
  t.pass(1);
  await copyToSecondPlace(t.larder);
  t.pass(300 * DAY_MIN);
  expect(isOverdue(t.larder.folder, t.larder.now())).toBe(false);
});

test("a setting that was damaged counts as none, and stopping leaves what is there", async () => {
  const { t, stick } = await withPlace();
  await takeBackup(t.larder, "daily");
  await copyToSecondPlace(t.larder);
  writeFileSync(join(t.larder.folder, "second-place.json"), "{");
  expect(secondPlaceOf(t.larder.folder)).toBeNull();
  expect(await copyToSecondPlace(t.larder)).toBeNull();
  await setSecondPlace(t.larder, t.write(), stick);
  removeSecondPlace(t.larder, t.write());
  expect(secondPlaceOf(t.larder.folder)).toBeNull();
  expect(there(stick)).toHaveLength(1);
});

test("a backup signed with another key is told apart before it is restored", async () => {
  const { t } = await withPlace();
  await takeBackup(t.larder, "daily");
  const other = testLarder(folder("other"));
  other.pass(60);
  const copy = await takeBackup(other.larder, "daily");
  writeFileSync(
    join(t.larder.folder, "backups", copy.name),
    readFileSync(join(other.larder.folder, "backups", copy.name)),
  );
  const own = listBackups(t.larder.folder).find((c) => c.name !== copy.name)!;
  expect((await previewBackup(t.larder, copy.name)).otherKey).toMatch(/^[2-9A-Z]{5}-[2-9A-Z]{5}$/);
  expect((await previewBackup(t.larder, own.name)).otherKey).toBeNull();
});
