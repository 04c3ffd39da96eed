import { spawn } from "node:child_process";
import {
  cpSync,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, test } from "vitest";
import { checkFile, removePartialFiles, listBackups } from "#store/backup";
import { openLarder, integrityProblems, type Larder } from "#store/db";
import { verifyLarder } from "#store/history";
import { checkWitness } from "#store/witness";
import { writeArchive } from "#store/transfer";
import { anyHistory, livedThrough } from "./testing/history.ts";
import { testLarder } from "./testing/larder.ts";
import fc from "fast-check";

/** How often each kind of work is killed. `npm run soak` does it 100 times each: 500 in all. */
const KILLS = Number(process.env.KILLS_EACH ?? 2);
const SLOW = Math.max(120_000, KILLS * 8_000);

const folder = () => mkdtempSync(join(tmpdir(), "larder-kill-"));

/** Lets a victim work for a random while after it said a word, that it began when left out, and kills it. @returns what it acknowledged */
function killed(
  what: string,
  at: string,
  mostMs: number,
  { archive = "", after = "ready" } = {},
): Promise<string[]> {
  return new Promise((resolve) => {
    const child = spawn("node", ["--import", "tsx", "store/testing/victim.ts", what, at, archive], {
      stdio: ["ignore", "pipe", "inherit"],
    });
    let said = "";
    let timer: NodeJS.Timeout | null = null;
    child.stdout.on("data", (piece: Buffer) => {
      said += piece.toString();
      if (said.includes(after)) timer ??= setTimeout(() => child.kill("SIGKILL"), Math.random() * mostMs);
    });
    child.on("exit", () => {
      if (timer) clearTimeout(timer);
      // A line cut off in the middle acknowledges nothing.
      resolve(said.split("\n").slice(0, -1));
    });
  });
}

/** What must be true of any larder after any kill. */
function opened(at: string): Larder {
  removePartialFiles(at);
  const larder = openLarder(at);
  expect(integrityProblems(larder.sqlite)).toEqual([]);
  expect(verifyLarder(larder).broken).toEqual([]);
  expect(checkWitness(larder.sqlite, { folder: at }).broken).toEqual([]);
  return larder;
}

/** Lines of the activity log, but for the one that names the key of the first backup. */
const LINES = "select count(*) from audit where action <> 'witness.key'";

const keysOf = (said: readonly string[]) =>
  said.filter((l) => l.startsWith("wrote ")).map((l) => l.split(" ")[2]!);

test(`killed ${KILLS} times while it wrote: nothing acknowledged is missing`, { timeout: SLOW }, async () => {
  const at = folder();
  const all: string[] = [];
  for (let i = 0; i < KILLS; i++) {
    all.push(...keysOf(await killed("write", at, 400, { after: "wrote" })));
    const larder = opened(at);
    const there = new Set(larder.sqlite.prepare("select tag from harvest").pluck().all());
    expect(all.filter((key) => !there.has(key))).toEqual([]);
    larder.close();
  }
  expect(all.length).toBeGreaterThanOrEqual(KILLS);
  rmSync(at, { recursive: true });
});

test(
  `killed ${KILLS} times while it made copies: each that has its name is sound`,
  { timeout: SLOW },
  async () => {
    const at = folder();
    const all: string[] = [];
    let copied = 0;
    for (let i = 0; i < KILLS; i++) {
      const said = await killed("backup", at, 500);
      all.push(...keysOf(said));
      copied += said.filter((l) => l.startsWith("copied")).length;
      const larder = opened(at);
      for (const copy of listBackups(at))
        expect(checkFile(join(at, "backups", copy.name)), copy.name).toEqual([]);
      const there = new Set(larder.sqlite.prepare("select tag from harvest").pluck().all());
      expect(all.filter((key) => !there.has(key))).toEqual([]);
      larder.close();
    }
    expect(copied).toBeGreaterThanOrEqual(KILLS > 4 ? 1 : 0);
    rmSync(at, { recursive: true });
  },
);

test(
  `killed ${KILLS} times while copies were restored: it is one whole larder or the other`,
  { timeout: SLOW },
  async () => {
    const at = folder();
    let restored = 0;
    for (let i = 0; i < KILLS; i++) {
      restored += (await killed("restore", at, 900)).filter((l) => l === "restored").length;
      opened(at).close();
      expect(existsSync(join(at, "larder.db"))).toBe(true);
    }
    expect(restored).toBeGreaterThanOrEqual(KILLS > 4 ? 1 : 0);
    rmSync(at, { recursive: true });
  },
);

test(
  `killed ${KILLS} times while an archive came in: the larder is empty or whole`,
  { timeout: SLOW },
  async () => {
    const home = folder();
    const zip = join(home, "all.zip");
    const { larder } = livedThrough(fc.sample(anyHistory, { numRuns: 1, seed: 7 })[0]!);
    await writeArchive(larder, createWriteStream(zip));
    const whole = larder.sqlite.prepare(LINES).pluck().get();
    larder.close();
    const found = new Set<unknown>();
    for (let i = 0; i < KILLS; i++) {
      const at = folder();
      const said = await killed("import", at, 700, { archive: zip });
      const after = opened(at);
      const lines = after.sqlite.prepare(LINES).pluck().get();
      expect([0, whole]).toContain(lines);
      if (said.includes("imported")) expect(lines).toBe(whole);
      found.add(lines);
      after.close();
      rmSync(at, { recursive: true });
    }
    expect(found.size).toBeGreaterThan(0);
  },
);

test(
  `killed ${KILLS} times while its layout was changed: it opens, with everything in it`,
  { timeout: SLOW },
  async () => {
    const old = folder();
    // A larder as an older program left it: the newest change of layout not yet made.
    const migrations = join(old, "migrations");
    cpSync("store/migrations", migrations, { recursive: true });
    const path = join(migrations, "meta/_journal.json");
    const journal = JSON.parse(readFileSync(path, "utf8")) as { entries: { tag: string }[] };
    const before = journal.entries.findIndex((e) => e.tag === "0010_records");
    writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.slice(0, before) }));
    const first = openLarder(join(old, "larder"), Date.now, migrations);
    const insert = first.sqlite.prepare(
      "insert into audit (at, by_id, action, entity_kind, entity_id, detail) values (?, null, 'old.deed', 'harvest', 'x', '{}')",
    );
    for (let i = 0; i < 4000; i++) insert.run(i);
    first.close();
    for (let i = 0; i < KILLS; i++) {
      const at = folder();
      mkdirSync(at, { recursive: true });
      cpSync(join(old, "larder"), at, { recursive: true });
      await killed("migrate", at, 250);
      const larder = opened(at);
      expect(larder.sqlite.prepare("select count(*) from audit").pluck().get()).toBe(4000);
      expect(
        larder.sqlite.prepare("select count(*) from chain_link where chain = 'audit'").pluck().get(),
      ).toBe(4000);
      larder.close();
      rmSync(at, { recursive: true });
    }
  },
);

test("a full disk refuses the write in words, and loses nothing that was acknowledged", () => {
  const t = testLarder(folder());
  const { sqlite } = t.larder;
  // SQLite's own limit of pages stands for the disk: it fails with the same error (SQLITE_FULL), in the same places.
  const pages = sqlite.pragma("page_count", { simple: true }) as number;
  sqlite.pragma(`max_page_count = ${pages + 2}`);
  const before = sqlite.prepare("select count(*) from audit").pluck().get() as number;
  let acknowledged = 0;
  let full: unknown = null;
  for (let i = 0; i < 2000 && !full; i++)
    try {
      sqlite
        .transaction(() => {
          sqlite
            .prepare(
              "insert into audit (at, by_id, action, entity_kind, entity_id, detail) values (1, null, 'fill', 'x', 'x', ?)",
            )
            .run("x".repeat(500));
        })
        .immediate();
      acknowledged++;
    } catch (error) {
      full = error;
    }
  expect((full as { code?: string }).code).toBe("SQLITE_FULL");
  expect(acknowledged).toBeGreaterThan(0);
  expect(sqlite.prepare("select count(*) from audit").pluck().get()).toBe(before + acknowledged);
  expect(integrityProblems(sqlite)).toEqual([]);
  // Room again: the next write goes through, and the chain has no gap.
  sqlite.pragma("max_page_count = 1000000");
  sqlite
    .prepare(
      "insert into audit (at, by_id, action, entity_kind, entity_id, detail) values (1, null, 'fill', 'x', 'x', '{}')",
    )
    .run();
  expect(verifyLarder(t.larder).broken).toEqual([]);
});
