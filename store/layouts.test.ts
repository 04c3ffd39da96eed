import Database from "better-sqlite3";
import {
  createWriteStream,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { describe, expect, test } from "vitest";
import { checkFile } from "#store/backup";
import {
  inconsistencies,
  LaterLayout,
  layoutOf,
  newestLayout,
  openLarder,
  integrityProblems,
} from "#store/db";
import { verifyLarder } from "#store/history";
import { readArchive, writeArchive } from "#store/transfer";
import { rulesHash } from "./derived/index.ts";
import { filesIn, packed } from "./testing/zip.ts";

// A copy and an archive of the made-up household in each layout, as the program of that layout wrote them.
const KEPT = join(import.meta.dirname, "testing/layouts");
const layouts = readdirSync(KEPT).map(Number);
const kept = (layout: number, name: string) => join(KEPT, String(layout).padStart(2, "0"), name);
const folder = () => mkdtempSync(join(tmpdir(), "larder-layout-test-"));

/** A copy of a layout, unpacked into a folder of its own. */
function copyOf(layout: number): string {
  const at = folder();
  writeFileSync(join(at, "larder.db"), gunzipSync(readFileSync(kept(layout, "larder.db.gz"))));
  return at;
}

test("there is a copy and an archive of every layout since layouts are kept", () => {
  expect(newestLayout()).toBe(Math.max(...layouts));
  for (const n of layouts) expect(existsSync(kept(n, "larder.db.gz")), `${n}`).toBe(true);
  for (const n of layouts.filter((l) => l >= 11))
    expect(existsSync(kept(n, "archive.zip")), `${n}`).toBe(true);
});

test("the rules are those of the newest layout: others make another layout, with a copy and an archive of it", () => {
  const told = readFileSync(join(import.meta.dirname, "../CHANGELOG.md"), "utf8");
  expect(told).toContain(`Layout ${newestLayout()}, rules ${rulesHash().slice(0, 12)}`);
});

describe.each(layouts)("layout %i", (layout) => {
  test("its copy is sound, and is brought to this layout with everything in it", () => {
    const at = copyOf(layout);
    expect(checkFile(join(at, "larder.db"))).toEqual([]);
    const then = new Database(join(at, "larder.db"), { readonly: true });
    expect(layoutOf(then)).toBe(layout);
    const count = (db: Database.Database, table: string) =>
      db.prepare(`select count(*) from "${table}"`).pluck().get();
    const tables = ["harvest", "lot", "lot_flow", "run", "run_event", "container", "movement", "audit"];
    const before = tables.map((t) => count(then, t));
    const left = then.prepare("select code, left_kg from lot order by code").raw().all();
    then.close();
    const larder = openLarder(at);
    expect(layoutOf(larder.sqlite)).toBe(newestLayout());
    expect(tables.map((t) => count(larder.sqlite, t))).toEqual(before);
    expect(larder.sqlite.prepare("select code, left_kg from lot order by code").raw().all()).toEqual(left);
    expect(integrityProblems(larder.sqlite)).toEqual([]);
    expect(verifyLarder(larder).broken).toEqual([]);
    larder.close();
  });
  // There are archives since layout 11.
  test.skipIf(layout < 11)("its archive is restored, and written out again with the same lines", async () => {
    const at = folder();
    const arrived = await readArchive(kept(layout, "archive.zip"), at, Date.now);
    expect(arrived).toMatchObject({ layout, rows: { harvest: expect.any(Number) as number } });
    const larder = openLarder(arrived.folder);
    expect(verifyLarder(larder)).toMatchObject({ broken: [], head: arrived.head });
    const out = join(at, "again.zip");
    await writeArchive(larder, createWriteStream(out));
    larder.close();
    const [before, after] = await Promise.all([kept(layout, "archive.zip"), out].map(filesIn));
    const same = [...before!.keys()].filter((name) => before!.get(name) === after!.get(name));
    // Tables whose columns are the same are the same to the byte; the others have all their lines.
    for (const [name, text] of before!) {
      if (!name.startsWith("data/")) continue;
      const header = (t: string) => t.slice(0, t.indexOf("\r\n"));
      const now = after!.get(name)!;
      if (header(now) === header(text)) expect(now, name).toBe(text);
      else expect(now.split("\r\n").length, name).toBe(text.split("\r\n").length);
    }
    expect(same.length).toBeGreaterThan(40);
    expect(after!.get("README.txt")).toContain("To restore it");
  });
});

test("a larder of a later layout is refused with the version it wants, and not touched", () => {
  const at = folder();
  openLarder(at).close();
  const sqlite = new Database(join(at, "larder.db"));
  sqlite.exec(`insert into __drizzle_migrations (hash, created_at) values ('x', 99999999999999);
    insert into layout_change values (99, '7.3.0', 1)`);
  sqlite.pragma("wal_checkpoint(TRUNCATE)");
  sqlite.close();
  const before = readFileSync(join(at, "larder.db"));
  expect(() => openLarder(at)).toThrow(LaterLayout);
  expect(() => openLarder(at)).toThrow(/Install version 7\.3\.0 or later/);
  expect(readFileSync(join(at, "larder.db")).equals(before)).toBe(true);
  expect(checkFile(join(at, "larder.db"))[0]).toMatch(/later version.*7\.3\.0/);
});

test("what is of two layouts is refused", async () => {
  // The newest tables under an older number, and an older archive under the newest number.
  const at = folder();
  for (const [from, says] of [
    [newestLayout(), 11],
    [11, newestLayout()],
    [12, 0],
    [12, 12.5],
    [12, newestLayout() + 1],
  ] as const) {
    const files = await filesIn(kept(from, "archive.zip"));
    const d = JSON.parse(files.get("datapackage.json")!) as { layout: number };
    files.set("datapackage.json", JSON.stringify({ ...d, layout: says }));
    const path = await packed(at, files, false);
    await expect(readArchive(path, at, Date.now), `${from} as ${says}`).rejects.toThrow(
      /not those of|later version|never was|does not say its layout/,
    );
    expect(existsSync(join(at, "arriving")) ? readdirSync(join(at, "arriving")) : []).toEqual([]);
  }
});

test("a copy whose records do not agree is found in its own layout", () => {
  for (const layout of layouts.filter((l) => l >= 7)) {
    const at = copyOf(layout);
    const sqlite = new Database(join(at, "larder.db"));
    expect(inconsistencies(sqlite)).toEqual([]);
    sqlite.exec("update lot set left_kg = left_kg + 1 where code = (select min(code) from lot)");
    expect(inconsistencies(sqlite)[0]).toMatch(/what is left of a lot/);
    sqlite.close();
  }
});
