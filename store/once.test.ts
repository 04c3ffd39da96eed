import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { pruneWriteKeys, once, Refused } from "#store/db";
import { LISTS, previewList, takeList } from "#store/lists";
import { recordOpening } from "#store/eating";
import { checkSeal, containersOfRun } from "#store/rest";
import { addPlace, shelve, takeOff } from "#store/shelf";
import { openTestRun, packPints, runToTowel, testLarder, type TestLarder } from "./testing/larder.ts";

const audits = (t: TestLarder, action: string) =>
  t.larder.sqlite.prepare("select detail from audit where action = ?").pluck().all(action) as string[];
const keys = (t: TestLarder) =>
  t.larder.sqlite.prepare("select key from write_key").pluck().all() as string[];

function onShelf(t: TestLarder): string {
  const run = openTestRun(t, [packPints(t).id]);
  runToTowel(t, run.id);
  t.pass(13 * 60);
  const [jar] = containersOfRun(t.larder, run.id);
  checkSeal(t.larder, t.write(), jar!.id, "sealed");
  const { id } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" });
  shelve(t.larder, t.write(), [jar!.id], id);
  return jar!.id;
}

test("a press that does two things has one key and one line in the audit, which tells both", () => {
  const t = testLarder();
  const jar = onShelf(t);
  const before = {
    keys: keys(t).length,
    lines: t.larder.sqlite.prepare("select count(*) from audit").pluck().get() as number,
  };
  const write = t.write();
  recordOpening(t.larder, write, { containerId: jar, signs: ["smell"], note: null });
  expect(keys(t).length).toBe(before.keys + 1);
  expect(t.larder.sqlite.prepare("select count(*) from audit").pluck().get()).toBe(before.lines + 1);
  expect(keys(t)).toContain(write.key);
  const [line] = audits(t, "container.open");
  expect(JSON.parse(line!)).toMatchObject({ also: [{ action: "container.take", id: jar }] });
  expect(audits(t, "container.take")).toEqual([]);
  // Sent again it answers the same, and nothing more is written down.
  recordOpening(t.larder, write, { containerId: jar, signs: ["smell"], note: null });
  expect(t.larder.sqlite.prepare("select count(*) from audit").pluck().get()).toBe(before.lines + 1);
});

test("what fails inside leaves nothing of the whole, and the next write is a whole again", () => {
  const t = testLarder();
  const jar = onShelf(t);
  const write = t.write();
  const state = () => [
    keys(t).length,
    t.larder.sqlite.prepare("select count(*) from movement").pluck().get(),
  ];
  const before = state();
  expect(() =>
    once(t.larder, write, "test", () => {
      takeOff(t.larder, write, jar, "opened");
      throw new Refused({ "": "After all not." });
    }),
  ).toThrow("After all not.");
  expect(state()).toEqual(before);
  takeOff(t.larder, write, jar, "opened");
  expect(audits(t, "container.take")).toHaveLength(1);
});

test("a part that is refused leaves nothing, even where the whole catches it and goes on", () => {
  const t = testLarder();
  const jar = onShelf(t);
  const movements = () => t.larder.sqlite.prepare("select count(*) from movement").pluck().get();
  const before = movements();
  once(t.larder, t.write(), "test.whole", () => {
    try {
      once(t.larder, t.write(), "test.part", () => {
        takeOff(t.larder, t.write(), jar, "opened");
        throw new Refused({ "": "Not that." });
      });
    } catch {
      // As a command would that tries one way, and then another.
    }
    return { result: null, note: { kind: "test", id: jar } };
  });
  expect(movements()).toBe(before);
  expect(audits(t, "test.whole")).toEqual(["{}"]);
});

test("a command that answers nothing new remembers no key", () => {
  const t = testLarder();
  const before = keys(t).length;
  const write = t.write();
  expect(once(t.larder, write, "test", () => ({ result: 7, note: null }))).toBe(7);
  expect(keys(t).length).toBe(before);
});

test("keys are forgotten after ninety days, and not before", () => {
  const t = testLarder();
  const write = t.write();
  once(t.larder, write, "test", () => ({ result: 1, note: { kind: "test", id: "x" } }));
  t.pass(89 * 24 * 60);
  pruneWriteKeys(t.larder);
  expect(keys(t)).toContain(write.key);
  t.pass(2 * 24 * 60);
  expect(pruneWriteKeys(t.larder)).toBeGreaterThan(0);
  expect(keys(t)).toEqual([]);
});

test("a list sent again does nothing a second time, row by row", async () => {
  const t = testLarder();
  const animals = LISTS.find((l) => l.key === "animals")!;
  const text = "species,taken on,weight kg,weighed\nElk,2026-11-19,120,hanging\nElk,2026-11-18,130,live\n";
  const write = t.write();
  const first = await takeList(t.larder, write, animals, text);
  expect(await takeList(t.larder, write, animals, text)).toEqual(first);
  expect(audits(t, "harvest.record")).toHaveLength(3);
});

test("a long list lets others in again and again while it is looked at and taken in", async () => {
  const t = testLarder();
  const animals = LISTS.find((l) => l.key === "animals")!;
  const rows = Array.from({ length: 1_200 }, (_, i) => `Elk,2026-11-18,${100 + (i % 50)},live`);
  const text = ["species,taken on,weight kg,weighed", ...rows].join("\n");
  // Others come in between: how often is told by how many turns of the loop there were, whatever the machine.
  for (const work of [previewList, takeList]) {
    let turns = 0;
    let over = false;
    const others = (async () => {
      while (!over) {
        turns++;
        await new Promise((go) => setImmediate(go));
      }
    })();
    const told = await work(t.larder, t.write(), animals, text);
    over = true;
    await others;
    expect(told).toHaveLength(1_200);
    expect(turns).toBeGreaterThan(10);
  }
});

test("no command makes a key out of another's", () => {
  const files = readdirSync(import.meta.dirname, { recursive: true }) as string[];
  const made = files
    .filter((f) => f.endsWith(".ts") && !f.includes(".test."))
    .filter((f) => /key: `\$\{/.test(readFileSync(join(import.meta.dirname, f), "utf8")));
  expect(made).toEqual([]);
});
