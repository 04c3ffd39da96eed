import fc from "fast-check";
import { readFileSync, readdirSync, rmSync, statSync, writeFileSync } from "node:fs";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { createPublicKey, verify } from "node:crypto";
import { expect, test, vi } from "vitest";
import { shortHash } from "#core/code";
import { inspectFile, listBackups, replaceLarder, restoreBackup, takeBackup } from "#store/backup";
import { chainsOf, linesOf, once } from "#store/db";
import { dropRules, applyRules } from "./derived/index.ts";
import { verifyLarder } from "#store/history";
import {
  checkWitness,
  fingerprintAt,
  headLong,
  headOf,
  headText,
  keyPath,
  listStatements,
  readHead,
  readStatement,
  statementFolder,
} from "#store/witness";
import { openTestRun, packPints, runToTowel, testLarder, type TestLarder } from "./testing/larder.ts";

const household = () => testLarder(mkdtempSync(join(tmpdir(), "larder-witness-")));
const check = (t: TestLarder, more: Partial<Parameters<typeof checkWitness>[1]> = {}) =>
  checkWitness(t.larder.sqlite, { folder: t.larder.folder, ...more });
const note = (t: TestLarder, detail = "said") =>
  once(t.larder, t.write(), "test.note", () => ({ result: null, note: { kind: "test", id: "1", detail } }));
async function signedDay(t: TestLarder, lines = 3): Promise<void> {
  for (let i = 0; i < lines; i++) note(t, `${i}`);
  t.pass(24 * 60);
  await takeBackup(t.larder, "daily");
}

/** What somebody does who knows the program: changes a line, and makes every hash after it anew. */
function rewrite(t: TestLarder, sql: string): void {
  const { sqlite } = t.larder;
  dropRules(sqlite);
  expect(sqlite.prepare(sql).run().changes).toBeGreaterThan(0);
  sqlite.exec("delete from chain_link");
  for (const chain of chainsOf(sqlite))
    for (const { seq, hash } of [...linesOf(sqlite, chain)])
      sqlite.prepare("insert into chain_link (chain, seq, hash) values (?, ?, ?)").run(chain.name, seq, hash);
  applyRules(sqlite);
  sqlite.exec(
    "update sqlite_sequence set seq = coalesce((select max(id) from audit), 0) where name = 'audit'",
  );
  const ended = sqlite.prepare("select id from run where ended_at is not null").pluck().all() as string[];
  if (ended.length === 0) expect(verifyLarder(t.larder).broken).toEqual([]);
}

test("every backup is signed, and what is signed fits", async () => {
  const t = household();
  for (let i = 0; i < 4; i++) await signedDay(t);
  expect(listStatements(t.larder.folder)).toHaveLength(4);
  expect(check(t)).toMatchObject({ statements: 4, broken: [], notes: [], newestAt: t.larder.now() });
});

test("a signature is Ed25519 over the statement as it stands, checked by itself", async () => {
  const t = household();
  await signedDay(t);
  const file = JSON.parse(readFileSync(listStatements(t.larder.folder)[0]!, "utf8")) as {
    statement: unknown;
    publicKey: string;
    signature: string;
  };
  const key = createPublicKey({ key: Buffer.from(file.publicKey, "base64"), format: "der", type: "spki" });
  expect(key.asymmetricKeyType).toBe("ed25519");
  expect(
    verify(null, Buffer.from(JSON.stringify(file.statement)), key, Buffer.from(file.signature, "base64")),
  ).toBe(true);
});

test("a past that was written anew with all its hashes is not found by them, and is by a signature: the very line", async () => {
  const t = household();
  await signedDay(t, 5);
  await signedDay(t, 5);
  const lines = t.larder.sqlite.prepare("select id from audit order by id").pluck().all() as number[];
  const victim = lines[Math.floor(lines.length / 2)]!;
  rewrite(t, `update audit set detail = '"changed"' where id = ${victim}`);
  expect(check(t).broken).toEqual([
    { code: null, seq: victim, what: `Line ${victim} is not what was printed or signed.` },
  ]);
});

test("whatever line of the log is changed or taken out, and everything hashed anew, the first that departs is named", () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 4 }),
      fc.nat(),
      fc.boolean(),
      async (days, pick, gone) => {
        const t = household();
        for (const n of days) await signedDay(t, n);
        const lines = t.larder.sqlite.prepare("select id from audit order by id").pluck().all() as number[];
        const victim = lines[pick % lines.length]!;
        rewrite(
          t,
          gone
            ? `delete from audit where id = ${victim}`
            : `update audit set device = 'x' where id = ${victim}`,
        );
        expect(check(t).broken.map((b) => b.seq)).toEqual([victim]);
        t.larder.close();
      },
    ),
    { numRuns: 6 },
  ));

test("a run that was written anew departs from its paper, and a paper of it as it is does not", () => {
  const t = household();
  const run = openTestRun(t, [packPints(t).id]);
  runToTowel(t, run.id);
  const head = headOf(t.larder.sqlite, run.id)!;
  const papers = [readHead(headText(head))!, readHead(headLong(head))!];
  expect(check(t, { papers })).toMatchObject({ points: 2, broken: [] });
  const [first] = t.larder.sqlite.prepare("select min(seq) from run_event").pluck().all() as number[];
  rewrite(t, `update run_event set at = at - 60000 where seq = ${first! + 2}`);
  for (const paper of papers)
    expect(check(t, { papers: [paper] }).broken).toEqual([
      { code: run.code, seq: head.seq, what: expect.stringMatching(/differs .* at line \d+ or before/) },
    ]);
  expect(check(t, { papers: [readHead("ZZZ-Z/4/" + shortHash("0".repeat(64)))!] }).notes).toEqual([
    "There is no run ZZZ-Z in this larder.",
  ]);
});

test("of many lines since the last signature not every one is named, but between which two it departs", async () => {
  const t = household();
  const insert = t.larder.sqlite.prepare(
    "insert into audit (at, action, entity_kind, entity_id, detail) values (1, 'x', 'x', 'x', '{}')",
  );
  for (let i = 0; i < 1_300; i++) insert.run();
  await signedDay(t);
  const { statement } = readStatement(listStatements(t.larder.folder)[0]!);
  expect(statement.chains[0]!.marks.length).toBeLessThanOrEqual(500);
  rewrite(t, "update audit set detail = '[]' where id = 700");
  const [broken] = check(t).broken;
  const [, after, by] = /after line (\d+), at line (\d+) or before/.exec(broken!.what)!;
  expect(Number(after)).toBeLessThan(700);
  expect(Number(by)).toBeGreaterThanOrEqual(700);
  expect(Number(by) - Number(after)).toBeLessThanOrEqual(3);
});

test("a signature that was changed, one that is missing, and what is none are each said", async () => {
  const t = household();
  for (let i = 0; i < 3; i++) await signedDay(t);
  const [first, second] = listStatements(t.larder.folder) as [string, string];
  const text = readFileSync(second, "utf8");
  writeFileSync(
    second,
    text.replace(/"at":(\d)/, (_, d: string) => `"at":${(Number(d) + 1) % 10}`),
  );
  expect(
    check(t)
      .broken.map((b) => b.what)
      .join(),
  ).toMatch(/is not valid/);
  writeFileSync(second, "{}");
  expect(
    check(t)
      .broken.map((b) => b.what)
      .join(),
  ).toMatch(/is no signature of a larder/);
  rmSync(second);
  expect(check(t).broken.map((b) => b.what)).toEqual([
    expect.stringMatching(/one is missing or was changed/),
  ]);
  writeFileSync(second, text);
  expect(check(t).broken).toEqual([]);
  rmSync(first);
  expect(check(t).broken).toHaveLength(1);
});

test("signatures by another key prove nothing, unless somebody says that it is theirs", async () => {
  const t = household();
  await signedDay(t);
  const other = household();
  await signedDay(other);
  const files = listStatements(other.larder.folder);
  const key = fingerprintAt(other.larder.folder)!;
  expect(check(t, { files })).toMatchObject({
    statements: 1,
    broken: [],
    notes: [`1 signature is by another key (${key}) and not counted.`],
  });
  expect(check(t, { files, trusted: [key] }).broken.length).toBeGreaterThan(0);
});

test("with a new key the old signatures still count: the activity log names each key", async () => {
  const t = household();
  await signedDay(t);
  const old = fingerprintAt(t.larder.folder);
  rmSync(keyPath(t.larder.folder));
  await signedDay(t);
  expect(fingerprintAt(t.larder.folder)).not.toBe(old);
  expect(check(t)).toMatchObject({ statements: 2, broken: [], notes: [] });
});

test("what a restored backup replaced is told, and is no damage; what comes after is signed on", async () => {
  const t = household();
  await signedDay(t);
  await signedDay(t);
  await signedDay(t);
  const copy = listBackups(t.larder.folder).at(-1)!;
  t.pass(60);
  await restoreBackup(t.larder, copy.name, { write: t.write(), reason: "a test" });
  await signedDay(t);
  await signedDay(t);
  const told = check(t);
  expect(told.broken).toEqual([]);
  expect(told.notes).toEqual([expect.stringMatching(/3 signatures are of records that a restored backup/)]);
  rewrite(t, `update audit set device = 'x' where id = (select max(id) - 1 from audit)`);
  expect(check(t).broken).toHaveLength(1);
});

test("a larder that is replaced while a backup of it is signed: the signature is of what was there, and no damage", async () => {
  const t = household();
  note(t);
  const other = household();
  await signedDay(other);
  let open!: () => void;
  const gate = new Promise<void>((go) => (open = go));
  const slow: Parameters<typeof takeBackup>[2] = async (path, sign) => {
    await gate;
    return inspectFile(path, sign ? { sign } : null);
  };
  const daily = takeBackup(t.larder, "daily", slow);
  other.larder.close();
  const replaced = replaceLarder(t.larder, other.larder.folder);
  await Promise.race([replaced, new Promise((go) => setTimeout(go, 800))]);
  open();
  await Promise.all([daily, replaced]);
  expect(check(t).broken).toEqual([]);
});

test("the key is this machine's alone: in no backup, and nobody else may read the file", async () => {
  const t = household();
  await signedDay(t);
  expect(statSync(keyPath(t.larder.folder)).mode & 0o777).toBe(0o600);
  const secret = readFileSync(keyPath(t.larder.folder), "utf8").split("\n")[1]!;
  for (const folder of [join(t.larder.folder, "backups"), statementFolder(t.larder.folder)])
    for (const name of readdirSync(folder))
      expect(readFileSync(join(folder, name)).includes(secret), name).toBe(false);
});

test("a key that does not read as one keeps no backup from being made, and says so", async () => {
  const t = household();
  writeFileSync(keyPath(t.larder.folder), "not a key");
  const copy = await takeBackup(t.larder, "by-hand");
  expect(copy.unsigned).toMatch(/is no Ed25519 key/);
  expect(readFileSync(keyPath(t.larder.folder), "utf8")).toBe("not a key");
  expect(check(t)).toMatchObject({ fingerprint: null, statements: 0 });
});

test("the key can be kept elsewhere, as on a stick", async () => {
  const stick = mkdtempSync(join(tmpdir(), "larder-stick-"));
  vi.stubEnv("LARDER_WITNESS_KEY", join(stick, "key.pem"));
  try {
    const t = household();
    await signedDay(t);
    expect(readdirSync(stick)).toEqual(["key.pem"]);
    expect(readdirSync(t.larder.folder)).not.toContain("witness.key");
  } finally {
    vi.unstubAllEnvs();
  }
});

test("a head is read as somebody types it, and what is none is not", () => {
  const hash = "9f".repeat(32);
  const text = `R3T-7/41/${shortHash(hash)}`;
  for (const typed of [
    text,
    text.toLowerCase(),
    text.replaceAll("-", " ").replace("R3T 7", "r3t-7"),
    ` ${text} `,
    `R3T-7/41/${hash}`,
  ])
    expect(readHead(typed)?.is(hash), typed).toBe(true);
  expect(readHead(text)!.is("8f".repeat(32))).toBe(false);
  for (const none of [
    "",
    "R3T-7",
    "R3T-7/41",
    `R3T-7/x/${shortHash(hash)}`,
    `R3T-7/41/${shortHash(hash)}A`,
    `R3T-7/41/${shortHash(hash).replace(/./, "0")}`,
  ])
    expect(readHead(none), none).toBeNull();
});
