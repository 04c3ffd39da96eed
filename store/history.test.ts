import { createHash } from "node:crypto";
import fc from "fast-check";
import { expect, test } from "vitest";
import { onBehalfOf } from "#store/db";
import { actionsDone, listChanges, verifyLarder } from "#store/history";
import { changeHousehold } from "#store/household";
import { checkSeal, containersOfRun } from "#store/rest";
import { openTestRun, packPints, runToTowel, testLarder, type TestLarder } from "./testing/larder.ts";

function withRun(): { t: TestLarder; runId: string; code: string } {
  const t = testLarder();
  const { id } = packPints(t);
  const run = openTestRun(t, [id]);
  runToTowel(t, run.id, 75);
  t.pass(13 * 60);
  for (const jar of containersOfRun(t.larder, run.id)) checkSeal(t.larder, t.write(), jar.id, "sealed");
  return { t, runId: run.id, code: run.code };
}

/** Changes the past as somebody with the file and without scruples would: with the guards taken off. */
function meddle({ larder }: TestLarder, sql: string): void {
  for (const name of [
    "run_event_no_update",
    "run_event_no_delete",
    "audit_no_update",
    "audit_no_delete",
    "chain_link_no_delete",
  ])
    larder.sqlite.exec(`drop trigger if exists ${name}`);
  larder.sqlite.exec(sql);
}

/** What is hashed of each line: all of an event and of the audit, and of a run what it was opened with. */
const CHAINED: Record<string, readonly string[]> = {
  run_event: "id run_id at type gauge_kpa temp_c corrects by_name note source detail recorded_at".split(" "),
  audit: "at by_id action entity_kind entity_id detail device heard_at".split(" "),
  run: "code canner_id plan schedule opened_at opened_by zone gauge_signed_by gauge_signed_reason".split(" "),
};

const NUMBERS = ["at", "heard_at", "recorded_at", "opened_at", "gauge_kpa", "temp_c"];

test("a past nobody has touched fits, line by line", () => {
  const { t } = withRun();
  const found = verifyLarder(t.larder);
  expect(found.broken).toEqual([]);
  expect(found.runs).toBe(1);
  expect(found.lines).toBe(
    t.larder.sqlite
      .prepare("select (select count(*) from run_event) + (select count(*) from audit)")
      .pluck()
      .get() as number,
  );
});

// SHA-256 as FIPS 180-4 gives it, by node's own crypto, over the line written as JSON: worked here apart from the program.
test("the first link of a run is the hash of its line after the run's own", () => {
  const { t, runId } = withRun();
  const sha = (parts: unknown[]) => createHash("sha256").update(JSON.stringify(parts)).digest("hex");
  const { sqlite } = t.larder;
  const run = sqlite
    .prepare(
      "select id, code, canner_id, plan, schedule, opened_at, opened_by, zone, gauge_signed_by, gauge_signed_reason, equipment_signed_by, equipment_signed_reason, burner_id from run",
    )
    .raw()
    .get() as unknown[];
  const first = sqlite
    .prepare(
      "select seq, id, run_id, at, type, gauge_kpa, temp_c, corrects, by_name, note, source, detail, recorded_at from run_event order by seq limit 1",
    )
    .raw()
    .get() as unknown[];
  const link = sqlite
    .prepare("select hash from chain_link where chain = ? order by seq limit 1")
    .pluck()
    .get(runId);
  expect(link).toBe(sha([sha(["", ...run]), ...first]));
});

test.each([
  ["a reading is made kinder", "update run_event set at = at + 60000 where seq = 3", 3],
  ["a line is taken out of the middle", "delete from run_event where seq = 5", 5],
  ["the schedule of the run is changed", "update run set plan = replace(plan, '75', '60')", 1],
])("it shows when %s", (_what, sql, seq) => {
  const { t, code } = withRun();
  meddle(t, sql);
  expect(verifyLarder(t.larder).broken).toEqual([expect.objectContaining({ code, seq })]);
});

test("it shows whatever single value of the past is changed, and whichever line is taken out", () => {
  const chained = ["run_event", "audit", "run"] as const;
  const seen = new Set<string>();
  fc.assert(
    fc.property(
      fc.constantFrom(...chained),
      fc.nat(),
      fc.nat(),
      fc.constantFrom("value", "out"),
      (table, n, m, how) => {
        const { t } = withRun();
        const { sqlite } = t.larder;
        const rows = sqlite.prepare(`select rowid as line, * from ${table} order by rowid`).all() as Record<
          string,
          unknown
        >[];
        const row = rows[n % rows.length]!;
        const names = Object.keys(row).filter((c) => CHAINED[table]!.includes(c));
        const column = names[m % names.length]!;
        const before = row[column];
        const next = NUMBERS.includes(column) ? Number(before ?? 0) + 1 : `${String(before ?? "")}x`;
        const json = ["plan", "schedule", "detail"].includes(column);
        const value = json ? JSON.stringify({ meddled: String(before) }) : next;
        sqlite.pragma("foreign_keys = off");
        sqlite.pragma("ignore_check_constraints = on");
        meddle(
          t,
          how === "out" && table !== "run"
            ? `delete from ${table} where rowid = ${row.line as number}`
            : `update ${table} set ${column} = ${typeof value === "number" ? value : `'${value.replaceAll("'", "''")}'`} where rowid = ${row.line as number}`,
        );
        const { broken } = verifyLarder(t.larder);
        expect(broken, `${table} ${column} ${how}`).not.toEqual([]);
        for (const b of broken) expect(b.what).toMatch(/\.$/);
        seen.add(how === "out" ? how : `${table}.${column}`);
      },
    ),
    { numRuns: 90, seed: 20261212 },
  );
  expect(seen.size).toBeGreaterThan(20);
});

test("every change is told once, page by page, newest first", () => {
  const { t } = withRun();
  const lines = t.larder.sqlite.prepare("select id from audit order by id desc").pluck().all() as number[];
  const told: number[] = [];
  for (let before: number | null = null; ; before = told.at(-1)!) {
    const page = listChanges(t.larder, { before, limit: 7 });
    told.push(...page.map((c) => c.id));
    if (page.length < 7) break;
  }
  expect(told).toEqual(lines);
  // Asked for one thing, it leaves out all else and nothing of it.
  for (const action of actionsDone(t.larder)) {
    const of = listChanges(t.larder, { action, limit: 10_000 });
    expect(of.length).toBeGreaterThan(0);
    for (const c of of) expect(c.action.split(".")[0]).toBe(action);
  }
  const each = actionsDone(t.larder).map((action) => listChanges(t.larder, { action, limit: 10_000 }).length);
  expect(each.reduce((a, b) => a + b, 0)).toBe(lines.length);
});

test("it shows when the end of a run is cut off, even with its links", () => {
  const { t, runId, code } = withRun();
  const last = t.larder.sqlite.prepare("select max(seq) from run_event").pluck().get() as number;
  meddle(
    t,
    `delete from run_event where seq = ${last}; delete from chain_link where chain = '${runId}' and seq = ${last};
     update sqlite_sequence set seq = ${last - 1} where name = 'run_event'`,
  );
  expect(verifyLarder(t.larder).broken).toEqual([
    { code, seq: last, what: "The run does not end as the audit says it ended." },
  ]);
});

test("it shows when the newest of the audit is gone, with its links", () => {
  const { t } = withRun();
  const last = t.larder.sqlite.prepare("select max(id) from audit").pluck().get() as number;
  meddle(
    t,
    `delete from audit where id = ${last}; delete from chain_link where chain = 'audit' and seq = ${last}`,
  );
  expect(verifyLarder(t.larder).broken.map((b) => b.what)).toEqual([
    `The last lines of audit are gone: ${last} were numbered.`,
  ]);
});

test("a change says who, on which screen, and when the larder heard of it", () => {
  const { larder, write } = testLarder();
  const w = write();
  onBehalfOf({ device: "Tablet by the sink", said: { at: 5, heardAt: 9 } }, () =>
    changeHousehold(larder, w, { restHours: 24 }),
  );
  const [change] = listChanges(larder, { action: "household", limit: 1 });
  expect(change).toMatchObject({
    by: "Ada",
    device: "Tablet by the sink",
    action: "household.change",
    heardAt: 9,
  });
});

test("what the program writes down cannot be linked by another program that does not know how", () => {
  const { larder } = testLarder();
  expect(() => larder.sqlite.exec("update chain_link set hash = ''")).toThrow("append-only");
});
