import Database from "better-sqlite3";
import { cpSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { openLarder } from "#store/db";
import { getHousehold } from "#store/household";
import { listHarvests } from "#store/harvest";
import { lotsInStock } from "#store/lot";
import { packPints, openTestRun, tap, testLarder } from "#store/testing";

const folder = () => mkdtempSync(join(tmpdir(), "larder-"));

describe("the file", () => {
  test("every table is STRICT, foreign keys are on, the journal is WAL and a write is synced in full", () => {
    const t = testLarder(folder());
    const tables = t.larder.sqlite
      .prepare(
        "select name, strict from pragma_table_list where schema = 'main' and type = 'table' and name not like 'sqlite_%' and name not like '__drizzle%'",
      )
      .all() as { name: string; strict: number }[];
    expect(tables.length).toBeGreaterThan(18);
    expect(tables.filter((x) => x.strict !== 1)).toEqual([]);
    expect(t.larder.sqlite.pragma("foreign_keys", { simple: true })).toBe(1);
    expect(t.larder.sqlite.pragma("journal_mode", { simple: true })).toBe("wal");
    expect(t.larder.sqlite.pragma("synchronous", { simple: true })).toBe(2);
    expect(() =>
      t.larder.sqlite.prepare("insert into pack_lot (pack_id, lot_id, mass_kg) values ('no', 'no', 1)").run(),
    ).toThrow(/FOREIGN KEY/);
    expect(() => t.larder.sqlite.prepare("update lot set made_kg = -1").run()).toThrow(/CHECK/);
    expect(() => t.larder.sqlite.prepare("update lot set made_kg = 'heavy'").run()).toThrow(
      /cannot store TEXT/,
    );
  });

  test("what happened cannot be edited or deleted, even by hand", () => {
    const t = testLarder();
    const run = openTestRun(t, [packPints(t).id]);
    tap(t, run.id, "heat-on");
    for (const sql of [
      "update run_event set at = 0",
      "delete from run_event",
      "update gauge_check set error_kpa = 0",
      "delete from audit",
      "delete from lot_flow",
      "update lot_origin set share = 1",
    ]) {
      expect(() => t.larder.sqlite.prepare(sql).run(), sql).toThrow(/append-only/);
    }
  });

  test("reopening finds everything again", () => {
    const at = folder();
    const t = testLarder(at);
    t.larder.close();
    const again = openLarder(at);
    expect(getHousehold(again)?.altitudeM).toBe(701.04);
    expect(listHarvests(again)).toHaveLength(1);
  });

  test("a larder is copied before a migration touches it, and not otherwise", () => {
    const at = folder();
    testLarder(at).larder.close();
    openLarder(at).close();
    expect(readdirSync(at)).not.toContain("backups");
    const migrations = join(folder(), "migrations");
    cpSync("store/migrations", migrations, { recursive: true });
    const journalPath = join(migrations, "meta/_journal.json");
    const journal = JSON.parse(readFileSync(journalPath, "utf8"));
    const last = journal.entries.at(-1);
    journal.entries.push({ ...last, idx: last.idx + 1, when: last.when + 1000, tag: "9999_next" });
    writeFileSync(journalPath, JSON.stringify(journal));
    writeFileSync(
      join(migrations, "9999_next.sql"),
      "create table next_edition (id text primary key) strict;",
    );
    openLarder(at, Date.now, migrations).close();
    const [copy] = readdirSync(join(at, "backups"));
    const old = new Database(join(at, "backups", copy!), { readonly: true });
    expect(old.prepare("select count(*) as n from harvest").get()).toEqual({ n: 1 });
    expect(old.prepare("select name from sqlite_master where name = 'next_edition'").get()).toBeUndefined();
    const now = new Database(join(at, "larder.db"), { readonly: true });
    expect(now.prepare("select name from sqlite_master where name = 'next_edition'").get()).toBeDefined();
  });

  test("a larder of the edition before is brought over with its weights, shares and holds", () => {
    const at = folder();
    const before = join(folder(), "migrations");
    cpSync("store/migrations", before, { recursive: true });
    const journalPath = join(before, "meta/_journal.json");
    const journal = JSON.parse(readFileSync(journalPath, "utf8"));
    journal.entries = journal.entries.filter((e: { idx: number }) => e.idx < 3);
    writeFileSync(journalPath, JSON.stringify(journal));
    const old = openLarder(at, () => 1000, before);
    old.sqlite.exec(`
      insert into person values ('p', 'Ada', 1);
      insert into harvest (id, code, species, taken_on, count, weight_kg, weight_kind, created_at) values
        ('h1', 'H1', 'wild-boar', '2026-01-01', 1, 40, 'dressed', 1), ('h2', 'H2', 'wild-boar', '2026-01-02', 1, 30, 'dressed', 2);
      insert into lot (id, code, part, form, made_kg, kept, made_at) values ('l1', 'L1', 'Shoulder', 'pieces', 8, 'freezer', 500);
      insert into lot_flow (id, from_harvest, to_lot, mass_kg, at) values ('f1', 'h1', 'l1', 9, 500), ('f2', 'h2', 'l1', 3, 500);
      insert into pack (id, code, product, method, container, liquid, salt_tsp_each, schedule, made_at) values
        ('k1', 'K1', 'red-meat-pieces', 'raw', 'jar-pint', 'none', 0, '{}', 600);
      insert into pack_lot (pack_id, lot_id, mass_kg) values ('k1', 'l1', 2.5);
      insert into hold (id, harvest_id, condition, at) values ('x1', 'h2', 'a test', 700);`);
    old.close();
    const now = openLarder(at, () => 1000);
    expect(readdirSync(join(at, "backups"))).toHaveLength(1);
    expect(lotsInStock(now)).toMatchObject([
      {
        code: "L1",
        leftKg: 5.5,
        kept: "freezer",
        frozenAt: 500,
        treatments: [],
        shares: [
          { code: "H1", share: 0.75 },
          { code: "H2", share: 0.25 },
        ],
        holds: ["a test"],
      },
    ]);
    now.close();
  });
});
