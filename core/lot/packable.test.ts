import { describe, expect, test } from "vitest";
import { notPackedWords, whyNotPacked, type LotToPack } from "./index.ts";

const NOW = Date.UTC(2026, 10, 20, 9);
const lot: LotToPack = {
  code: "AB3",
  kept: "fridge",
  form: "pieces",
  treatments: [],
  holds: [],
  freshUntil: NOW,
  warmMinutes: 120,
  hotMinutes: 60,
};
const why = (over: Partial<LotToPack>) => whyNotPacked({ ...lot, ...over }, NOW);

describe("what stands between a lot and a jar", () => {
  test("nothing, when it is fresh or thawed, cut, and free, up to the last minute of each limit", () =>
    expect(why({})).toBeNull());
  test("being frozen, thawing, or a roast kept whole", () => {
    expect(why({ kept: "freezer" })).toBe("frozen");
    expect(why({ kept: "thawing" })).toBe("thawing");
    expect(why({ form: "roast" })).toBe("roast");
  });
  test("being past its days in the refrigerator; meat whose days are not counted is not old", () => {
    expect(why({ freshUntil: NOW - 1 })).toBe("old");
    expect(why({ freshUntil: null })).toBeNull();
  });
  // USDA FSIS consumer advice, from memory: 2 hours above 40 °F, 1 hour above 90 °F.
  test("having been warm for more than two hours, or hot for more than one", () => {
    expect(why({ warmMinutes: 120.1 })).toBe("warm");
    expect(why({ hotMinutes: 60.1, warmMinutes: 70 })).toBe("warm");
  });
  test("a hold before anything else", () =>
    expect(why({ kept: "freezer", form: "roast", holds: ["a test"], freshUntil: 0 })).toBe("held"));
  test("each in words, with what to do", () => {
    expect(notPackedWords("old", lot)).toMatch(/2 days.*Do not can it.*where it really was/);
    expect(notPackedWords("old", { ...lot, form: "roast" })).toMatch(/5 days/);
    expect(notPackedWords("old", { ...lot, treatments: ["cook"] })).toMatch(/4 days/);
    expect(notPackedWords("warm", { ...lot, warmMinutes: 150 })).toMatch(
      /2 h 30 min.*limit is 2 h, or 1 h above 90/,
    );
    expect(notPackedWords("held", { ...lot, holds: ["a test"] })).toMatch(/on hold \(a test\)/);
    expect(notPackedWords("frozen", lot)).toMatch(/^Lot AB3 is frozen.*thaw it, then pack it/);
    expect(notPackedWords("thawing", lot)).toMatch(/^Lot AB3 is still thawing.*record when it is/);
    expect(notPackedWords("roast", lot)).toMatch(/^Lot AB3 is a whole roast. Cut it/);
  });
});
