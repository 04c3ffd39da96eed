import { filledLoadWords, fillersAfter } from "./load";
import { describe, expect, test } from "vitest";
import { causesOf, sealVerdict, type CheckedSeal } from "#core/rest";
import { CAN_LOOKS, JAR_LOOKS, causeWords, chanceWords, lookOf, rangeWords, sealLookWords } from "./rest";

const seals = (of: (i: number) => Partial<CheckedSeal>, count = 60): CheckedSeal[] =>
  Array.from({ length: count }, (_, i) => ({
    finding: "sealed",
    layer: null,
    place: null,
    lids: null,
    person: null,
    canner: null,
    sealer: null,
    ...of(i),
  }));
const say = (checked: CheckedSeal[]) =>
  causeWords(causesOf(checked), checked.length, checked.filter((c) => c.finding === "failed").length);

describe("what failures have in common, in one sentence", () => {
  test("a box that stands out is named, with its counts and its chance", () =>
    expect(
      say(seals((i) => ({ finding: i < 6 ? "failed" : "sealed", lids: i < 12 ? "box 2" : "box 1" }))),
    ).toMatch(
      /^6 of 12 with lids or ends of box 2 failed, and 0 of the 48 others\. .*about once in [\d,]+ times: look there\.$/,
    ));
  test("what may be luck after so many comparisons is said to be a hint", () => {
    const many = seals((i) => ({
      finding: [0, 1, 2, 20].includes(i) ? "failed" : "sealed",
      person: i < 12 ? "Oda" : "Piet",
      canner: `canner ${i % 5}`,
      lids: `box ${i % 7}`,
    }));
    expect(say(many)).toMatch(
      /3 of 12 filled by Oda failed, .*but 14 groups were compared.*Keep watching it\.$/,
    );
  });
  test("luck is called luck", () =>
    expect(
      say(seals((i) => ({ finding: i % 20 === 0 ? "failed" : "sealed", lids: i % 2 ? "a" : "b" }), 40)),
    ).toBe("2 of 40 failed, and they have nothing in common beyond chance."));
  test.each([
    [0.9, "as often as not"],
    [0.1, "about once in 10 times"],
    [1 / 340, "about once in 300 times"],
    [1 / 45_300, "about once in 45,000 times"],
  ])("a chance of %d", (p, words) => expect(chanceWords(p)).toBe(words));
  test("a range is said of a hundred", () =>
    expect(rangeWords({ low: 0.0412, high: 0.271 })).toBe("between 4 and 27 of 100"));
});

describe("taps at the towel", () => {
  test("the first of each list is the sound one, the second the plain failure, and every key leads to its look", () => {
    for (const [first, second] of [JAR_LOOKS, CAN_LOOKS]) {
      expect(sealVerdict(first!.look).finding).toBe("sealed");
      expect(sealVerdict(second!.look).finding).toBe("failed");
    }
    for (const c of [...JAR_LOOKS, ...CAN_LOOKS]) expect(lookOf(c.key)).toBe(c.look);
    expect(lookOf("nothing")).toBeUndefined();
  });
  test("what was seen reads as a person would say it", () => {
    expect(sealLookWords({ lid: "down", level: "half", looseBand: true })).toBe(
      "lid down, some liquid lost, band was loose",
    );
    expect(sealLookWords({ ends: "drawn-in", seam: "damp" })).toBe("ends drawn in, a seam damp");
  });
});

test("what becomes of what filled up a canner: water is poured out, beans are the household's own", () => {
  expect(fillersAfter(undefined, "B3N-3")).toBeNull();
  expect(fillersAfter([], "B3N-3")).toBeNull();
  expect(
    fillersAfter(
      [
        { kind: "jar-pint regular", count: 2, of: "water" },
        { kind: "jar-quart wide", count: 1, of: "beans" },
      ],
      "B3N-3",
    ),
  ).toBe(
    "2 pints of water: pour them out and use the jars again. 1 wide-mouth quart of beans: keep those whose lids are down. " +
      "Write “Beans, run B3N-3” and the day on them; they are not counted here.",
  );
  expect(filledLoadWords([], [{ kind: "jar-pint regular", count: 2, of: "beans" }])).toBe(
    "nothing, filled up with 2 pints of beans",
  );
});
