import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { layersFor, presetFor, type Pot } from "../capacity/index.ts";
import { AS_PUBLISHED } from "../schedule/index.ts";
import { kindsFor, methodsIn, proposeLoad, type FoodSource, type JarLine } from "./index.ts";

const POT: Pot = { ...presetFor(16) };
const VENISON: FoodSource = {
  lotId: "a",
  leftKg: 3.2,
  products: ["red-meat-pieces", "can-game"],
  cooked: false,
  fills: {},
  dish: null,
};
const FISH: FoodSource = { ...VENISON, products: ["fish", "can-fish"], leftKg: 5 };
const PINT = "jar-pint regular";
const line = (over: Partial<JarLine> = {}): JarLine => ({
  lotId: "a",
  kind: PINT,
  method: null,
  count: null,
  ...over,
});
const propose = (lines: JarLine[], sources: FoodSource[] = [VENISON], pot = POT) =>
  proposeLoad(lines, sources, pot, AS_PUBLISHED);

describe("what a food may go into", () => {
  // USDA 2015, Guide 5, from memory: strips, cubes or chunks of meat in pints and quarts, raw or hot.
  test("venison has a process raw and hot in pints and quarts", () => {
    const kinds = kindsFor(VENISON, AS_PUBLISHED);
    expect(kinds).toContain(PINT);
    expect(kinds).toContain("jar-quart wide");
    expect(methodsIn(VENISON, PINT, AS_PUBLISHED)).toEqual(expect.arrayContaining(["raw", "hot"]));
  });
  test("cooked food is only packed hot", () => {
    expect(methodsIn({ ...VENISON, cooked: true }, PINT, AS_PUBLISHED)).toEqual(["hot"]);
  });
  test("nothing is offered where there is no process", () => {
    for (const kind of kindsFor(FISH, AS_PUBLISHED))
      expect(methodsIn(FISH, kind, AS_PUBLISHED).length).toBeGreaterThan(0);
    expect(kindsFor({ ...VENISON, products: [] }, AS_PUBLISHED)).toEqual([]);
  });
});

describe("how many containers it comes to", () => {
  test("as many full pints as 7 lb makes, and what is left fills none", () => {
    const { parts, leftKg, problems } = propose([line()]);
    expect(problems).toEqual([]);
    expect(parts).toHaveLength(1);
    expect(parts[0]!.count).toBe(Math.floor(3.2 / parts[0]!.kgEach));
    expect(leftKg.a).toBeLessThan(parts[0]!.kgEach);
  });
  test("six half-pound and four one-pound cans from one lot", () => {
    const { parts } = propose(
      [line({ kind: "can-half-pound", count: 6 }), line({ kind: "can-one-pound", count: 4 })],
      [FISH],
    );
    expect(parts.map((p) => [p.kind, p.product, p.count])).toEqual([
      ["can-half-pound", "can-fish", 6],
      ["can-one-pound", "can-fish", 4],
    ]);
  });
  test("as many pints as it makes, the rest in half-pints", () => {
    const { parts, leftKg } = propose(
      [line(), line({ kind: "jar-half-pint regular" })],
      [{ ...FISH, leftKg: 2.6 }],
    );
    expect(parts[0]!.kind).toBe(PINT);
    expect(leftKg.a).toBeLessThan(parts.at(-1)!.kgEach);
  });
  test("more than the canner takes is refused with how many it takes; with no number given it takes what fits", () => {
    const much = [{ ...VENISON, leftKg: 40 }];
    const free = propose([line()], much);
    expect(free.problems).toEqual([]);
    expect(free.layers).not.toBeNull();
    const most = free.parts[0]!.count;
    expect(propose([line({ count: most + 1 })], much).problems).toEqual([{ line: 0, why: "no-room", most }]);
  });
  test("more than the food makes is refused with how many it makes", () => {
    const [problem] = propose([line({ count: 12 })]).problems;
    expect(problem).toMatchObject({ line: 0, why: "no-food" });
    expect(problem!.most).toBe(propose([line()]).parts[0]!.count);
  });
  test("a dish makes what its recipe says, and no more", () => {
    const stew: FoodSource = {
      ...VENISON,
      dish: { product: "stewed-meat", jars: { [PINT]: { kgEach: 0.2, count: 5 } } },
    };
    const { parts } = propose([line()], [stew]);
    expect(parts).toMatchObject([{ product: "stewed-meat", pack: "hot", count: 5 }]);
    expect(propose([line({ kind: "jar-quart regular" })], [stew]).problems).toMatchObject([
      { why: "no-process" },
    ]);
  });
});

test("what is proposed without a complaint fits the canner and takes no more than there is", () => {
  const kinds = [PINT, "jar-half-pint regular", "jar-quart wide", "can-half-pound", "can-one-pound"];
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ kind: fc.constantFrom(...kinds), count: fc.option(fc.integer({ min: 1, max: 20 })) }),
        { minLength: 1, maxLength: 3 },
      ),
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      (wanted, leftKg) => {
        const source = { ...FISH, leftKg };
        const { parts, layers, problems } = propose(
          wanted.map((w) => line(w)),
          [source],
        );
        if (problems.length > 0) return;
        const counts: Record<string, number> = {};
        for (const p of parts) counts[p.kind] = (counts[p.kind] ?? 0) + p.count;
        expect(layers).toEqual(layersFor(POT, counts));
        expect(layers).not.toBeNull();
        expect(parts.reduce((sum, p) => sum + p.count * p.kgEach, 0)).toBeLessThanOrEqual(leftKg + 1e-6);
        for (const p of parts) expect(Number.isInteger(p.count) && p.count > 0).toBe(true);
      },
    ),
    { numRuns: 60 },
  );
});
