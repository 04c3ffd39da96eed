import Database from "better-sqlite3";
import { expect, test } from "vitest";
import { dataVersion } from "./memoize.ts";
import { keepStatements } from "./statements.ts";

function table(): Database.Database {
  const sqlite = new Database(":memory:");
  sqlite.exec("create table lot (code text, kg real); insert into lot values ('A', 2), ('B', 3)");
  keepStatements(sqlite);
  return sqlite;
}
const ALL = "select code, kg from lot order by code";

test("who asks for bare values does not change what another gets by the same words", () => {
  const sqlite = table();
  const rows = sqlite.prepare(ALL);
  const codes = sqlite.prepare(ALL).pluck();
  const pairs = sqlite.prepare(ALL).raw();
  expect(rows.all()).toEqual([
    { code: "A", kg: 2 },
    { code: "B", kg: 3 },
  ]);
  expect(codes.all()).toEqual(["A", "B"]);
  expect(pairs.all()).toEqual([
    ["A", 2],
    ["B", 3],
  ]);
  expect(rows.get()).toEqual({ code: "A", kg: 2 });
  expect(codes.get()).toBe("A");
});

test("a statement that is still giving rows can be asked again meanwhile", () => {
  const sqlite = table();
  const seen: unknown[] = [];
  for (const code of sqlite.prepare(ALL).pluck().iterate())
    seen.push([code, sqlite.prepare(ALL).pluck().all()]);
  expect(seen).toEqual([
    ["A", ["A", "B"]],
    ["B", ["A", "B"]],
  ]);
});

test("a table that is changed is asked as it is then", () => {
  const sqlite = table();
  expect(sqlite.prepare("select * from lot").get()).toEqual({ code: "A", kg: 2 });
  sqlite.exec("alter table lot add column part text default 'ham'");
  expect(sqlite.prepare("select * from lot").get()).toEqual({ code: "A", kg: 2, part: "ham" });
});

test("the version of the data changes with every row that is written, and with nothing else", () => {
  const sqlite = table();
  const before = dataVersion({ sqlite });
  sqlite.prepare(ALL).all();
  expect(dataVersion({ sqlite })).toBe(before);
  sqlite.prepare("update lot set kg = 2 where code = 'A'").run();
  const after = dataVersion({ sqlite });
  expect(after).not.toBe(before);
  // What was taken back leaves another version too: nobody takes what stood there meanwhile for what stands there now.
  sqlite.exec("begin; delete from lot; rollback");
  expect(dataVersion({ sqlite })).not.toBe(after);
});
