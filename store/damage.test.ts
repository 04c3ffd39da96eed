import Database from "better-sqlite3";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { describe, expect, test } from "vitest";
import { applyRules, dropRules, newestLayout, openLarder, Refused, integrityProblems } from "#store/db";
import { checkFile } from "#store/backup";
import { verifyLarder } from "#store/history";

// Damage as somebody does it who opens the file beside the program: the rules are taken away for it, and put back. Each
// kind must be found by `npm run verify`, which asks these two.

const HOUSEHOLD = join(import.meta.dirname, "testing/layouts", String(newestLayout()), "larder.db.gz");

function found(damage: (sqlite: Database.Database) => void, rules = true): string[] {
  const at = mkdtempSync(join(tmpdir(), "larder-damage-"));
  writeFileSync(join(at, "larder.db"), gunzipSync(readFileSync(HOUSEHOLD)));
  const larder = openLarder(at);
  expect(integrityProblems(larder.sqlite)).toEqual([]);
  expect(verifyLarder(larder).broken).toEqual([]);
  larder.close();
  const sqlite = new Database(join(at, "larder.db"));
  sqlite.function("line_hash", { varargs: true }, () => "made up");
  sqlite.pragma("ignore_check_constraints = ON");
  sqlite.pragma("foreign_keys = OFF");
  if (rules) dropRules(sqlite);
  damage(sqlite);
  if (rules) applyRules(sqlite);
  sqlite.close();
  const again = new Database(join(at, "larder.db"), { readonly: true });
  const wrong = integrityProblems(again);
  const { broken } = verifyLarder({ sqlite: again, now: Date.now } as Parameters<typeof verifyLarder>[0]);
  again.close();
  return [...wrong, ...broken.map((b) => `${b.code ?? "audit"}: ${b.what}`)];
}

const change = (sql: string) => (db: Database.Database) => {
  expect(db.prepare(sql).run().changes, sql).toBeGreaterThan(0);
};
const onShelf = "(select id from container where moved = 'shelved' order by code limit 1)";
const ended =
  "(select id from run where completed_at is not null and ended_at is not null order by code limit 1)";

describe("damage to a file is found", () => {
  test.each<[string, string, RegExp]>([
    [
      "what is left of a lot is raised",
      "update lot set left_kg = left_kg + 2 where code = (select max(code) from lot)",
      /what is left of a lot/,
    ],
    [
      "more is taken from a lot than there was, and the rest set to nothing",
      `update lot_flow set mass_kg = mass_kg + 500 where from_lot is not null and id = (select min(id) from lot_flow where from_lot is not null)`,
      /more was taken from a lot than there was/,
    ],
    [
      "an animal is made lighter than what was cut from it",
      "update harvest set weight_kg = 1 where id = (select from_harvest from lot_flow where from_harvest is not null and mass_kg > 2 limit 1)",
      /more was taken from an animal/,
    ],
    [
      "more is packed than was taken",
      "update pack_lot set mass_kg = mass_kg * 2 where rowid = (select min(rowid) from pack_lot)",
      /what went into a pack|what is left of a lot/,
    ],
    [
      "where a pack came from is left out",
      "delete from pack_from where rowid = (select min(rowid) from pack_from)",
      /what went into a pack/,
    ],
    [
      "a failed seal is called sealed",
      "update container set seal = 'sealed' where id = (select container_id from seal_check where finding = 'failed' limit 1)",
      /the seal of a container/,
    ],
    [
      "a finding is changed",
      "update seal_check set finding = 'failed' where seq = (select max(seq) from seal_check where finding = 'sealed')",
      /the seal of a container/,
    ],
    [
      "a decision is taken back",
      "delete from disposition where seq = (select max(seq) from disposition)",
      /what is done with a container|numbered|decided/,
    ],
    [
      "a jar that was eaten is put back",
      `update container set moved = 'shelved' where moved = 'opened' and code = (select min(code) from container where moved = 'opened')`,
      /not where it was last put/,
    ],
    [
      "a jar is set aside by nothing",
      `update container set set_aside = 'x' where id = ${onShelf}`,
      /set aside by no recall/,
    ],
    [
      "a jar was canned at another time",
      `update container set canned_at = canned_at + 86400000 where id = ${onShelf}`,
      /canned in no run, or at another time/,
    ],
    [
      "a shelf holds another number",
      "update shelf_place set standing = standing + 1 where id = (select min(id) from shelf_place)",
      /a shelf does not hold/,
    ],
    [
      "a supply has another number left",
      "update supply set left = left + 5 where id = (select min(id) from supply)",
      /what is left of a supply/,
    ],
    [
      "a lot has another code",
      "update lot set code = 'ZZZ-Z' where code = (select min(code) from lot)",
      /not in the register/,
    ],
    [
      "a code is taken out of the register",
      "delete from code_register where number = (select max(number) from code_register)",
      /not in the register/,
    ],
    [
      "the share of an animal is changed",
      "update lot_origin set share = share / 2 where rowid = (select min(rowid) from lot_origin)",
      /shares of a lot/,
    ],
    [
      "where a lot came from is left out",
      "delete from lot_flow where id = (select min(id) from lot_flow where from_harvest is not null and to_lot not in (select to_lot from lot_flow group by to_lot having count(*) > 1))",
      /made of nothing/,
    ],
    [
      "a row points at nothing",
      `update pack set run_id = 'nowhere' where id = (select min(id) from pack where run_id is not null)`,
      /point at nothing/,
    ],
    [
      "a reading is changed",
      "update run_event set gauge_kpa = gauge_kpa + 3 where seq = (select min(seq) from run_event where gauge_kpa is not null)",
      /is not what was written then/,
    ],
    [
      "a reading is taken out",
      "delete from run_event where seq = (select min(seq) from run_event where type = 'reading')",
      /was there and is gone/,
    ],
    [
      "a line of the audit is changed",
      "update audit set by_id = null where id = (select min(id) from audit where by_id is not null)",
      /is not what was written then/,
    ],
    [
      "a hash is made up",
      "update chain_link set hash = 'x' where chain = 'audit' and seq = 3",
      /is not what was written then/,
    ],
    [
      "the minutes of a run are changed",
      `update run set plan = json_set(plan, '$.minutes', 40) where id = ${ended}`,
      /is not what was written then/,
    ],
    [
      "a run that is not done is called processed",
      "update run set completed_at = opened_at + 9000000 where id = (select min(id) from run where completed_at is null)",
      /what its own events do not/,
    ],
    [
      "two jars of a pack have one number",
      "update container set number = 1 where emptied_at is null and pack_id = (select pack_id from container where emptied_at is null group by pack_id having count(*) > 2 limit 1)",
      /the same number/,
    ],
  ])("%s", (_what, sql, why) => {
    const said = found(change(sql));
    expect(said.join(" | ")).toMatch(why);
  });
  test("the end of a run is cut off, with its links", () => {
    const said = found((db) => {
      db.exec(`delete from chain_link where chain = ${ended} and seq >= (select max(seq) - 2 from run_event where run_id = ${ended});
        delete from run_event where run_id = ${ended} and seq >= (select max(seq) - 2 from run_event where run_id = ${ended})`);
    });
    expect(said.join()).toMatch(/does not end as the audit says/);
  });
  test("a rule is taken away, or another put in its place", () => {
    expect(found((db) => db.exec("drop trigger run_event_no_delete"), false).join()).toMatch(
      /Rules .* missing or changed \(run_event_no_delete\)/,
    );
    expect(
      found((db) => {
        db.exec(
          "drop trigger lot_left_packed; create trigger lot_left_packed after insert on pack_lot begin select 1; end",
        );
      }, false).join(),
    ).toMatch(/lot_left_packed/);
  });
  test("a page of the file is written over", () => {
    const at = mkdtempSync(join(tmpdir(), "larder-damage-"));
    const file = gunzipSync(readFileSync(HOUSEHOLD));
    file.fill(0x5a, 4096 * 20, 4096 * 20 + 3000);
    writeFileSync(join(at, "larder.db"), file);
    expect(checkFile(join(at, "larder.db")).join()).toMatch(/damaged|malformed/);
  });
});

describe("no more is taken than there is", () => {
  test("an overdraw is refused by the table itself, in words", async () => {
    const { asRefusal } = await import("./db/limits.ts");
    const at = mkdtempSync(join(tmpdir(), "larder-damage-"));
    writeFileSync(join(at, "larder.db"), gunzipSync(readFileSync(HOUSEHOLD)));
    const { sqlite, close } = openLarder(at);
    const lot = sqlite.prepare("select id, left_kg as leftKg from lot where left_kg > 0.5 limit 1").get() as {
      id: string;
      leftKg: number;
    };
    const pack = sqlite
      .prepare("select id from pack where id not in (select pack_id from pack_lot where lot_id = ?) limit 1")
      .pluck()
      .get(lot.id);
    const take = (kg: number) =>
      sqlite
        .prepare("insert into pack_lot (pack_id, lot_id, mass_kg) values (?, ?, ?)")
        .run(pack, lot.id, kg);
    let error: unknown;
    try {
      take(lot.leftKg + 0.001);
    } catch (e) {
      error = asRefusal(e);
    }
    expect(error).toBeInstanceOf(Refused);
    expect((error as Refused).message).toMatch(/More is taken from this lot than is left/);
    // All of it, to the gram, is taken.
    take(lot.leftKg);
    expect(sqlite.prepare("select left_kg from lot where id = ?").pluck().get(lot.id)).toBe(0);
    expect(integrityProblems(sqlite)).toEqual([]);
    close();
  });
});
