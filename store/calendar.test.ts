import { DateTime } from "luxon";
import { describe, expect, test } from "vitest";
import { v7 as uuid } from "uuid";
import { agesOnShelf, eatenByMonth, sealsByMonth, seasonsOf, yieldsBySeason } from "#store/eating";
import { changeHousehold } from "#store/household";
import { addPlace, addStorageEntry, findOnShelf, flaggedByStorage, storageRooms } from "#store/shelf";
import {
  openTestRun,
  packPints,
  runToTowel,
  testLarder,
  TEST_START,
  type TestLarder,
} from "./testing/larder.ts";

const HOUR = 3_600_000;

/** A year of jars, one every 31 hours, put straight into the tables: what is asked here is by which day they go. */
function yearOfJars(zone: string): { t: TestLarder; jars: { code: string; at: number }[] } {
  const t = testLarder();
  changeHousehold(t.larder, t.write(), { zone });
  const { id: place } = addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" });
  const run = openTestRun(t, [packPints(t).id]);
  runToTowel(t, run.id);
  const { sqlite } = t.larder;
  const [pack] = sqlite.prepare("select id from pack").pluck().all() as string[];
  const jars: { code: string; at: number }[] = [];
  const from = Date.UTC(2026, 8, 1);
  sqlite.transaction(() => {
    for (let i = 0; i < 280; i++) {
      const at = from + i * 31 * HOUR;
      const id = uuid();
      const code = `Y${String(i).padStart(3, "0")}`;
      sqlite
        .prepare("insert into container (id, code, pack_id, number, canned_at) values (?, ?, ?, ?, ?)")
        .run(id, code, pack, 100 + i, at);
      sqlite
        .prepare("insert into seal_check (id, container_id, at, finding) values (?, ?, ?, 'sealed')")
        .run(uuid(), id, at);
      sqlite
        .prepare("insert into movement (id, container_id, at, kind, place_id) values (?, ?, ?, 'shelved', ?)")
        .run(uuid(), id, at, place);
      if (i % 3 === 0)
        sqlite
          .prepare("insert into movement (id, container_id, at, kind) values (?, ?, ?, 'opened')")
          .run(uuid(), id, at + HOUR);
      else jars.push({ code, at });
    }
  })();
  return { t, jars };
}

describe.each(["America/Denver", "Europe/Oslo", "Pacific/Auckland"])("a year of canning in %s", (zone) => {
  const { t, jars } = yearOfJars(zone);
  const local = (at: number) => DateTime.fromMillis(at, { zone });
  const now = Date.UTC(2027, 9, 1, 12);

  test("a jar is found under the day it was canned on there, and under no other", () => {
    const byDay = new Map<string, string[]>();
    for (const j of jars)
      byDay.set(local(j.at).toISODate()!, [...(byDay.get(local(j.at).toISODate()!) ?? []), j.code]);
    for (const [day, codes] of byDay)
      expect(
        findOnShelf(t.larder, [day]).map((c) => c.code),
        day,
      ).toEqual(codes);
  });
  test("what was sealed, eaten and standing in each month", () => {
    const count = (of: { at: number }[], month: string) =>
      of.filter((x) => local(x.at).toFormat("yyyy-MM") === month).length;
    const all = Array.from({ length: 280 }, (_, i) => ({ at: Date.UTC(2026, 8, 1) + i * 31 * HOUR, i }));
    for (const m of sealsByMonth(t.larder).filter((x) => x.month !== local(TEST_START).toFormat("yyyy-MM")))
      expect(m.all, m.month).toBe(count(all, m.month));
    const eaten = all.filter((x) => x.i % 3 === 0).map((x) => ({ at: x.at + HOUR }));
    const first = local(eaten[0]!.at).startOf("month");
    const [group] = eatenByMonth(t.larder, now).groups;
    group!.perMonth.forEach((n, i) =>
      expect(n, `${i}`).toBe(count(eaten, first.plus({ months: i }).toFormat("yyyy-MM"))),
    );
    const [stock] = seasonsOf(t.larder, now);
    stock!.months.forEach((month, i) => {
      const until = (xs: { at: number }[]) =>
        xs.filter((x) => local(x.at).toFormat("yyyy-MM") <= month).length;
      expect(stock!.standing[i], month).toBe(until(all) - until(eaten));
    });
  });
  test("ages count the household's days", () => {
    const begun = local(now).startOf("day").toMillis();
    const days = new Map<number, number>();
    for (const j of jars) {
      const n = Math.trunc((begun - j.at) / 86_400_000);
      days.set(n, (days.get(n) ?? 0) + 1);
    }
    for (const { days: n, count } of agesOnShelf(t.larder, now)) expect(count, `${n}`).toBe(days.get(n));
  });
  test("a winter is one season in the north, and a year one in the south", () => {
    const names = new Set(yieldsBySeason(t.larder).map((y) => y.season));
    // The lot was cut on November 20, 2026.
    expect([...names]).toEqual([zone === "Pacific/Auckland" ? "2026" : "2026–27"]);
    changeHousehold(t.larder, t.write(), { seasonFrom: "12-01" });
    expect(yieldsBySeason(t.larder)[0]!.season).toBe("2025–26");
    expect(() => changeHousehold(t.larder, t.write(), { seasonFrom: "02-29" })).toThrow(/month and day/);
  });
});

test("a frost is known after any number of readings", () => {
  const t = testLarder();
  const run = openTestRun(t, [packPints(t).id]);
  runToTowel(t, run.id);
  addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" });
  const at = (hours: number) => t.larder.now() + hours * HOUR;
  const insert = t.larder.sqlite.prepare(
    "insert into storage_entry (id, room, at, temp_c) values (?, 'Cellar', ?, ?)",
  );
  addStorageEntry(t.larder, t.write(), { room: "Cellar", tempC: -4 });
  t.larder.sqlite.transaction(() => {
    for (let i = 1; i <= 5_000; i++) insert.run(uuid(), at(i), 8 + (i % 5));
  })();
  const [room] = storageRooms(t.larder);
  expect(room!.events).toEqual([{ kind: "frozen", from: at(0), to: at(1), until: at(1), worstC: -4 }]);
  expect(flaggedByStorage(t.larder)).toEqual([]);
});

test("frosts and heats are those of all readings, whatever order they came in", async () => {
  const { storageEvents } = await import("#core/shelf");
  const { randomFrom } = await import("#core/random");
  for (let seed = 1; seed <= 30; seed++) {
    const even = randomFrom(seed);
    const t = testLarder();
    addPlace(t.larder, t.write(), { room: "Cellar", name: "Top" });
    const insert = t.larder.sqlite.prepare(
      "insert into storage_entry (id, room, at, temp_c) values (?, 'Cellar', ?, ?)",
    );
    const all = Array.from({ length: 120 }, (_, i) => ({
      at: TEST_START + Math.floor(even() * 90) * 7 * HOUR + i,
      tempC: Math.round(-8 + even() * 50),
    }));
    for (const e of all) insert.run(uuid(), e.at, e.tempC);
    expect(storageRooms(t.larder)[0]!.events, `${seed}`).toEqual(storageEvents(all));
    t.larder.close();
  }
});
