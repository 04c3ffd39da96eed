import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  ALPHABET,
  bareCode,
  checkCharacter,
  codeFor,
  householdMark,
  isValidCode,
  labelUrl,
  readCode,
  readLabel,
} from "./index.ts";

const anyCodeNumber = fc.nat({ max: 2_000_000 });

describe("codes given out", () => {
  test("1,000,000 in a row never collide, and every one is sound", () => {
    const seen = new Set<string>();
    for (let n = 0; n < 1_000_000; n++) {
      const code = codeFor(n);
      if (!isValidCode(bareCode(code))) throw new Error(`${code} is not sound`);
      seen.add(code);
    }
    expect(seen.size).toBe(1_000_000);
  });
  test("short enough for a lid: 5 characters with the dash at first, 6 for a lifetime of jars", () => {
    expect(codeFor(0)).toMatch(/^[2-9A-Z]{3}-[2-9A-Z]$/);
    expect(codeFor(29_790)).toHaveLength(5);
    expect(codeFor(29_791)).toHaveLength(6);
    expect(codeFor(100_000)).toHaveLength(6);
  });
  test("no look-alikes: no 0, O, 1, I or L in the alphabet, and it is of prime size", () => {
    for (const c of "0O1IL") expect(ALPHABET).not.toContain(c);
    expect(ALPHABET).toHaveLength(31);
    expect(new Set(ALPHABET).size).toBe(31);
  });
  test("neighbors in time differ in more than their last characters", () => {
    for (let n = 0; n < 500; n++) expect(codeFor(n).slice(0, 2)).not.toBe(codeFor(n + 1).slice(0, 2));
  });
  test("a number that is not whole is refused", () => {
    expect(() => codeFor(-1)).toThrow(RangeError);
    expect(() => codeFor(1.5)).toThrow(RangeError);
  });
});

// ISO/IEC 7064 (pure systems): a prime modulus with weights in geometric progression catches all of both.
describe("every single wrong character and every swap of neighbors is caught", () => {
  test("on 10,000 codes, all errors and not a sample of them", () => {
    for (let n = 0; n < 100_000; n += 10) {
      const bare = bareCode(codeFor(n * 7));
      for (let i = 0; i < bare.length; i++) {
        for (const c of ALPHABET) {
          if (c !== bare[i] && isValidCode(bare.slice(0, i) + c + bare.slice(i + 1)))
            throw new Error(`${bare} ${i} ${c}`);
        }
        if (i > 0 && bare[i] !== bare[i - 1]) {
          expect(isValidCode(bare.slice(0, i - 1) + bare[i]! + bare[i - 1]! + bare.slice(i + 1))).toBe(false);
        }
      }
    }
  });
  test("only one check character fits a body", () => {
    for (const body of ["7K4", "ABC", "9ZX2"]) {
      expect([...ALPHABET].filter((c) => isValidCode(body + c))).toEqual([checkCharacter(body)]);
    }
  });
});

describe("reading a code back", () => {
  test("lower case, spaces and a missing dash do not matter", () =>
    fc.assert(
      fc.property(anyCodeNumber, (n) => {
        const code = codeFor(n);
        for (const typed of [code, code.toLowerCase(), bareCode(code), ` ${code} `]) {
          expect(readCode(typed)).toEqual({ ok: true, code });
        }
      }),
    ));
  test("one smudged or foreign character: the check character proves which code was meant", () =>
    fc.assert(
      fc.property(
        anyCodeNumber,
        fc.nat({ max: 3 }),
        fc.constantFrom("0", "O", "1", "I", "L", "?"),
        (n, i, smudge) => {
          const code = codeFor(n);
          const bare = bareCode(code);
          const reading = readCode(bare.slice(0, i) + smudge + bare.slice(i + 1));
          expect(reading).toMatchObject({ ok: false, meant: code });
        },
      ),
    ));
  test("one wrong but possible character: nothing is claimed, and the true code is among the candidates", () =>
    fc.assert(
      fc.property(anyCodeNumber, fc.nat({ max: 3 }), fc.integer({ min: 1, max: 30 }), (n, i, shift) => {
        const code = codeFor(n);
        const bare = bareCode(code);
        const wrong = ALPHABET[(ALPHABET.indexOf(bare[i]!) + shift) % 31]!;
        const reading = readCode(bare.slice(0, i) + wrong + bare.slice(i + 1));
        if (reading.ok) throw new Error("a wrong code read as sound");
        expect(reading.meant).toBeNull();
        expect(reading.candidates).toContain(code);
      }),
    ));
  test.each(["", "A", "ABCDEFGHJK", "🙂🙂🙂🙂"])("“%s” is refused in a sentence", (text) => {
    const reading = readCode(text);
    expect(reading.ok).toBe(false);
    if (!reading.ok) expect(reading.message.length).toBeGreaterThan(20);
  });
});

describe("a label's square", () => {
  test("says the code and whose it is, whatever the address of the larder", () =>
    fc.assert(
      fc.property(
        anyCodeNumber,
        fc.integer({ min: 1, max: 4e12 }),
        fc.constantFrom("http://127.0.0.1:4310", "https://larder.lan"),
        (n, at, origin) => {
          const code = codeFor(n);
          expect(readLabel(labelUrl(origin, code, householdMark(at)))).toEqual({
            code,
            household: householdMark(at),
          });
        },
      ),
    ));
  test("a code typed or scanned bare is one too, and nonsense stays what it is", () => {
    expect(readLabel(" 7K4-R ")).toEqual({ code: "7K4-R", household: null });
    expect(readLabel("hello")).toEqual({ code: "hello", household: null });
  });
  test("two households set up a minute apart have different marks", () =>
    expect(householdMark(1_790_000_000_000)).not.toBe(householdMark(1_790_000_060_000)));
});
