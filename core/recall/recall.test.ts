import fc from "fast-check";
import { expect, test } from "vitest";
import { DOUBTS, likelyRisks, sharedScopes, type Shared } from "./index.ts";

const anyShared: fc.Arbitrary<Shared> = fc.record(
  Object.fromEntries(
    DOUBTS.map((d) => [d, fc.uniqueArray(fc.constantFrom("a", "b", "c"), { maxLength: 2 })]),
  ) as Record<(typeof DOUBTS)[number], fc.Arbitrary<string[]>>,
);

test("sharing a doubt is mutual, whole with oneself, and never found where nothing is known", () =>
  fc.assert(
    fc.property(anyShared, anyShared, (a, b) => {
      expect(sharedScopes(a, b)).toEqual(sharedScopes(b, a));
      expect(sharedScopes(a, a)).toEqual(DOUBTS.filter((d) => a[d].length > 0));
      for (const kind of sharedScopes(a, b)) expect(a[kind].length * b[kind].length).toBeGreaterThan(0);
    }),
  ));
test("only the doubts asked for are looked at", () => {
  const jar = { run: ["r"], lot: ["l"], harvest: [], lids: [], cans: [], sealer: [], place: [] };
  expect(sharedScopes(jar, jar, ["lot"])).toEqual(["lot"]);
});

test("the likeliest risk is the run, with the shelf for rust and the sealer for a can; never the lids", () => {
  expect(likelyRisks([], false)).toEqual(["run"]);
  expect(likelyRisks(["smell", "spurt"], false)).toEqual(["run"]);
  expect(likelyRisks(["leak"], false)).toEqual(["run"]);
  expect(likelyRisks(["leak"], true)).toEqual(["run", "sealer"]);
  expect(likelyRisks(["rust"], true)).toEqual(["run", "sealer", "place"]);
});
