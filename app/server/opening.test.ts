import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import { openLarder } from "#store/db";
import { openedFor, whyUnopened } from "./opening";

const folder = () => mkdtempSync(join(tmpdir(), "larder-opening-"));

test("one program has a larder open at a time, and the next may when it lets go", () => {
  const at = folder();
  const first = openedFor(at, Date.now);
  expect(first.larder).not.toBeNull();
  expect(openedFor(at, Date.now)).toMatchObject({ larder: null, why: { kind: "in-use" } });
  if (first.larder) first.letGo();
  const again = openedFor(at, Date.now);
  expect(again.larder).not.toBeNull();
  if (again.larder) again.letGo();
});

test("a file that is no larder is damaged, one of a later program is not", () => {
  const spoiled = folder();
  writeFileSync(join(spoiled, "larder.db"), "spoiled ".repeat(3000));
  expect(openedFor(spoiled, Date.now)).toMatchObject({ why: { kind: "damaged" } });
  const later = folder();
  const { sqlite, close } = openLarder(later);
  sqlite.exec(`insert into __drizzle_migrations (hash, created_at) values ('x', 99999999999999);
    insert into layout_change values (99, '7.3.0', 1)`);
  close();
  expect(openedFor(later, Date.now)).toMatchObject({
    why: { kind: "later", words: expect.stringContaining("Install version 7.3.0 or later") as string },
  });
});

test.each(["SQLITE_READONLY", "SQLITE_READONLY_DIRECTORY", "SQLITE_CANTOPEN", "EROFS", "EACCES", "EPERM"])(
  "%s is no damage",
  (code) => {
    const why = whyUnopened(folder(), Object.assign(new Error("no"), { code }));
    expect(why.kind).toBe("read-only");
    expect(why.words).toContain("not damaged");
  },
);
