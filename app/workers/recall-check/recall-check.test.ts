import { generateKeyPairSync, sign } from "node:crypto";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { codeFor } from "#core/code";
import { listText, readList, signedListText, type RecallList } from "#core/recall";
import { judgeCode, judgeList } from "./judge";
import { isSigned } from "./verify";

const SPKI = "302a300506032b6570032100";
const base64 = (hex: string) => Buffer.from(hex, "hex").toString("base64");

describe("The signature of a list", () => {
  // RFC 8032, section 7.1, TEST 1 and TEST 2.
  it.each([
    [
      "d75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a",
      "",
      "e5564300c360ac729086e2cc806e828a84877f1eb8e5d974d873e065224901555fb8821590a33bacc61e39701cf9b46bd25bf5f0595bbe24655141438e7a100b",
    ],
    [
      "3d4017c3e843895a92b70aa74d1b7ebc9c982ccf2ec4968cc0cd55f12af4660c",
      "r",
      "92a009a9f0d4cab8720e820b5f642540a2b27b5416503f8fb3762223ebdb69da085ac1e43e15996e458f3613d0f11d8c387b2eaeb4302aeeb00d291612bb0c00",
    ],
  ])("is checked as RFC 8032 has it: %s", (key, text, signature) => {
    expect(isSigned(base64(SPKI + key), text, base64(signature))).toBe(true);
    expect(isSigned(base64(SPKI + key), `${text}.`, base64(signature))).toBe(false);
  });

  it("is none where the key or the signature is something else", () => {
    for (const [key, signature] of [
      ["", ""],
      ["not base64!", "AAAA"],
      [base64("00".repeat(44)), base64("00".repeat(64))],
      [base64(`${SPKI}00`), base64("00".repeat(64))],
    ])
      expect(isSigned(key!, "text", signature!)).toBe(false);
  });
});

/** A household with a key of its own, signing by another library than the one that checks. */
function household(name: string) {
  const { publicKey, privateKey } = generateKeyPairSync("ed25519");
  const key = publicKey.export({ type: "spki", format: "der" }).toString("base64");
  return (at: string, recalled: RecallList["recalled"]) => {
    const list: RecallList = { household: name, publicKey: key, at: Date.parse(at), recalled };
    return {
      list,
      text: signedListText(list, sign(null, Buffer.from(listText(list)), privateKey).toString("base64")),
    };
  };
}
const day = (at: number) => new Date(at).toISOString().slice(0, 10);
const row = (n: number) => ({ code: codeFor(n), day: "2026-11-20", reason: "a bulging lid" });
const ours = household("Upland");
const held = ours("2026-11-21T08:00:00Z", [row(1), row(2)]);

describe("A list that somebody brings", () => {
  it("is used when the household signed it and it is not older", () => {
    const next = ours("2026-11-22T08:00:00Z", [row(3)]);
    expect(judgeList(held.list, next.text, day).used).toEqual(next.list);
    expect(judgeList(held.list, held.text, day).used).toEqual(held.list);
  });

  it.each([
    ["older", ours("2026-11-20T08:00:00Z", []).text, /older than the one here/],
    ["of another household", household("Upland")("2026-11-23T08:00:00Z", []).text, /not from Upland/],
    ["no list", "Do not eat 7K4-R", /no recall list/],
    ["nothing", "", /no recall list/],
  ])("is not used when it is %s", (_, text, why) => {
    const brought = judgeList(held.list, text, day);
    expect(brought.used).toBeNull();
    expect(brought.answer.title).toMatch(why);
  });

  it("is not used once any sign of it was changed, but for spaces around its lines", () =>
    fc.assert(
      fc.property(fc.nat(), fc.constantFrom("2", "x", "-", ""), (n, put) => {
        const next = ours("2026-11-22T08:00:00Z", [row(3), row(4)]).text;
        const at = n % (next.length - 1);
        const changed = next.slice(0, at) + put + next.slice(at + 1);
        const said = readList(changed);
        fc.pre(said === null || said.text !== readList(next)!.text);
        expect(judgeList(held.list, changed, day).used).toBeNull();
      }),
    ));
});

describe("A code that somebody checks", () => {
  const check = (typed: string, now = held.list.at) =>
    judgeCode(held.list, typed, ["1. Gloves on."], now, day);
  it("is told to be recalled, with why and what to do, however it is typed", () => {
    for (const typed of [codeFor(1), codeFor(1).toLowerCase(), ` ${codeFor(1).replace("-", "")} `])
      expect(check(typed)).toEqual({
        tone: "stop",
        title: `${codeFor(1)}: do not eat it`,
        lines: ["Upland recalled it on 2026-11-20: a bulging lid.", "1. Gloves on."],
      });
  });
  it("is never called safe: only not on the list of that day, which grows old", () => {
    expect(check(codeFor(9)).title).toBe(`${codeFor(9)} was not recalled by 2026-11-21`);
    expect(check(codeFor(9)).lines.join(" ")).toMatch(/boil it/);
    expect(check(codeFor(9), held.list.at + 31 * 86_400_000).lines[0]).toMatch(/old/);
  });
  it("is not answered when it is misread: every code but the right one is no answer or another jar", () => {
    for (const typed of ["", "7K4", "O1I0-L", codeFor(1).replace(/.$/, "?")]) {
      const { tone, lines } = check(typed);
      expect(tone, typed).toBe("no");
      expect(lines[0]).toMatch(/do not eat it/);
    }
  });
});
