import { scryptSync } from "node:crypto";
import { expect, test } from "vitest";
import {
  hasPassphrase,
  hasPin,
  isPassphrase,
  isPin,
  isProof,
  issueToken,
  isRunOf,
  knownSession,
  knownToken,
  listSessions,
  listTokens,
  openSession,
  proofOf,
  endSession,
  setPassphrase,
  setPin,
  revokeToken,
} from "#store/access";
import { Refused } from "#store/db";
import { openTestRun, packPints, testLarder } from "./testing/larder.ts";

const WORDS = "four plain words salted";

test("a passphrase is known again, and nothing near it is", async () => {
  const t = testLarder();
  expect(hasPassphrase(t.larder)).toBe(false);
  expect(await isPassphrase(t.larder, WORDS)).toBe(false);
  await setPassphrase(t.larder, t.write(), WORDS);
  expect(await isPassphrase(t.larder, WORDS)).toBe(true);
  for (const near of ["", WORDS.toUpperCase(), `${WORDS} `, WORDS.slice(0, -1)])
    expect(await isPassphrase(t.larder, near), near).toBe(false);
});

// RFC 7914 by node's own crypto, apart from the program; and no word of the passphrase is in the file.
test("what is kept is its scrypt, and nothing by which it could be read", async () => {
  const t = testLarder();
  await setPassphrase(t.larder, t.write(), WORDS);
  const kept = t.larder.sqlite.prepare("select hash from secret").pluck().get() as string;
  const [, N, r, p, salt, key] = kept.split("$");
  const own = scryptSync(WORDS, Buffer.from(salt!, "base64"), 32, {
    N: +N!,
    r: +r!,
    p: +p!,
    maxmem: 2 ** 27,
  });
  expect(own.toString("base64")).toBe(key);
  expect(t.larder.sqlite.serialize().includes(Buffer.from("salted"))).toBe(false);
});

test.each(["short", "aaaaaaaaaaaaaaaaaaaa", "x".repeat(300)])("“%s” is no passphrase", async (words) => {
  const t = testLarder();
  await expect(setPassphrase(t.larder, t.write(), words)).rejects.toThrow(Refused);
  expect(hasPassphrase(t.larder)).toBe(false);
});

test("a new passphrase puts every screen out", async () => {
  const t = testLarder();
  const key = openSession(t.larder, "Tablet");
  expect(knownSession(t.larder, key)?.session.device).toBe("Tablet");
  await setPassphrase(t.larder, t.write(), WORDS);
  expect(knownSession(t.larder, key)).toBeNull();
});

test("a screen's key is changed twice a day; the one before is good for a minute, and for no longer", () => {
  const t = testLarder();
  const first = openSession(t.larder, "Tablet");
  t.pass(11 * 60);
  expect(knownSession(t.larder, first)?.next).toBeNull();
  t.pass(61);
  const second = knownSession(t.larder, first)!.next!;
  expect(second).not.toBe(first);
  expect(knownSession(t.larder, first)).not.toBeNull();
  expect(knownSession(t.larder, second)).not.toBeNull();
  t.pass(2);
  expect(knownSession(t.larder, first)).toBeNull();
  expect(knownSession(t.larder, second)).not.toBeNull();
});

test("a screen that is not used for two months is out, and one that is put out is out at once", () => {
  const t = testLarder();
  const key = openSession(t.larder, "Tablet");
  const other = openSession(t.larder, "Telephone");
  endSession(t.larder, t.write(), listSessions(t.larder).find((s) => s.device === "Telephone")!.id);
  expect(knownSession(t.larder, other)).toBeNull();
  t.pass(61 * 24 * 60);
  expect(knownSession(t.larder, key)).toBeNull();
});

test("a PIN is four to eight figures, is known again, and what shows it was said dies with it", async () => {
  const t = testLarder();
  const { byId } = t.write();
  for (const bad of ["123", "123456789", "12a4"])
    await expect(setPin(t.larder, t.write(), byId, bad)).rejects.toThrow(Refused);
  await setPin(t.larder, t.write(), byId, "4711");
  expect(await isPin(t.larder, byId, "4711")).toBe(true);
  expect(await isPin(t.larder, byId, "4712")).toBe(false);
  const proof = proofOf(t.larder, byId);
  expect(isProof(t.larder, byId, proof)).toBe(true);
  expect(isProof(t.larder, "somebody-else", proof)).toBe(false);
  expect(isProof(t.larder, byId, null)).toBe(false);
  await setPin(t.larder, t.write(), byId, "4712");
  expect(isProof(t.larder, byId, proof)).toBe(false);
  await setPin(t.larder, t.write(), byId, null);
  expect(hasPin(t.larder, byId)).toBe(false);
});

test("a token is told once, is known until it is taken back, and a gauge's holds for its canner alone", () => {
  const t = testLarder();
  expect(() => issueToken(t.larder, t.write(), { name: "Gauge", right: "gauge", cannerId: null })).toThrow(
    Refused,
  );
  const write = t.write();
  const gauge = {
    name: "Gauge",
    right: "gauge",
    cannerId: t.cannerId,
  } as const;
  const { id, token: told } = issueToken(t.larder, write, gauge);
  const token = told!;
  // The same form again makes no other token, and tells none that does not work.
  expect(issueToken(t.larder, write, gauge)).toEqual({ id, token: null });
  expect(t.larder.sqlite.serialize().includes(Buffer.from(token))).toBe(false);
  expect(knownToken(t.larder, token)).toMatchObject({ name: "Gauge", right: "gauge", cannerId: t.cannerId });
  expect(knownToken(t.larder, `${token}x`)).toBeNull();
  const run = openTestRun(t, [packPints(t).id]);
  expect(isRunOf(t.larder, run.code, t.cannerId)).toBe(true);
  expect(isRunOf(t.larder, run.id, "another")).toBe(false);
  revokeToken(t.larder, t.write(), id);
  expect(knownToken(t.larder, token)).toBeNull();
  expect(listTokens(t.larder)).toEqual([]);
});
