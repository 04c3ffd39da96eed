import { describe, expect, test } from "vitest";
import { whyNotPacked } from "./index.ts";

describe("what stands between a lot and a jar", () => {
  const lot = { kept: "fridge", form: "pieces", holds: [] } as const;
  test("nothing, when it is fresh or thawed, cut, and free", () => expect(whyNotPacked(lot)).toBeNull());
  test("being frozen, thawing, or a roast kept whole", () => {
    expect(whyNotPacked({ ...lot, kept: "freezer" })).toBe("frozen");
    expect(whyNotPacked({ ...lot, kept: "thawing" })).toBe("thawing");
    expect(whyNotPacked({ ...lot, form: "roast" })).toBe("roast");
  });
  test("a hold before anything else", () =>
    expect(whyNotPacked({ kept: "freezer", form: "roast", holds: ["a test"] })).toBe("held"));
});
