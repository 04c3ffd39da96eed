import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  deviationsOf,
  fillEstimate,
  fillingOrder,
  judgeFill,
  otherHeadspaces,
  packSteps,
  progressOf,
} from "./index.ts";

const jar = { container: "jar-pint" as const, product: "red-meat-pieces" as const, saltTsp: 0 };
const keys = (part: Parameters<typeof packSteps>[0], fatty = false) =>
  packSteps(part, fatty).map((s) => s.key);

// USDA 2015, guides 1 and 5, from memory: the order of packing; raw first, common practice, no source.
describe("the order of work", () => {
  test("raw packs go in before hot ones, each sort in the order it was planned", () => {
    const parts = [
      { id: 1, method: "hot" as const },
      { id: 2, method: "raw" as const },
      { id: 3, method: "hot" as const },
      { id: 4, method: "raw" as const },
    ];
    expect(fillingOrder(parts).map((p) => p.id)).toEqual([2, 4, 1, 3]);
  });
  test("a jar: warm, fill, liquid, air, headspace, wipe, lid", () => {
    expect(keys({ ...jar, method: "hot", liquid: "broth", saltTsp: 1 })).toEqual([
      "jar",
      "fill",
      "salt",
      "liquid",
      "air",
      "headspace",
      "wipe",
      "lid",
    ]);
    expect(keys({ ...jar, method: "raw", liquid: "none" })).not.toContain("liquid");
  });
  test("the rim of a fatty pack is wiped twice with vinegar", () => {
    const wipe = (fatty: boolean) =>
      packSteps({ ...jar, method: "raw", liquid: "none" }, fatty).find((s) => s.key === "wipe")!.do;
    expect(wipe(true)).toMatch(/twice, vinegar/);
    expect(wipe(false)).not.toMatch(/twice/);
  });
  test("a can stays open: no lid before the bath", () => {
    const can = { container: "can-half-pound" as const, saltTsp: 0 };
    expect(keys({ ...can, product: "can-game", method: "hot", liquid: "water" })).toEqual([
      "fill",
      "liquid",
      "headspace",
      "flange",
      "exhaust",
    ]);
    expect(keys({ ...can, product: "can-fish", method: "raw", liquid: "none" })).not.toContain("lid");
  });
});

describe("what a weight says", () => {
  const pint = fillEstimate("red-meat-pieces", "raw", "jar-pint");
  test("a pint's usual weight is full; a good half of it is part-filled; a pound and a half is overfilled", () => {
    expect(judgeFill(pint.kgEach, pint)).toBe("full");
    expect(judgeFill(0.27, pint)).toBe("part-filled");
    expect(judgeFill(0.68, pint)).toBe("overfilled");
  });
  test("anything inside the expected interval is full", () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (t) => {
        expect(judgeFill(pint.lowKg + t * (pint.highKg - pint.lowKg), pint)).toBe("full");
      }),
    ));
});

describe("against the plan", () => {
  // By hand: 3 filled with 1.5 kg, 2.6 kg left at 0.5 each: 5 more, 8 in all, 0.1 over.
  test("how many come out, and what is left over", () => {
    const p = progressOf([{ massKg: 0.5 }, { massKg: 0.52 }, { massKg: 0.48 }], 9, 2.6, 0.5);
    expect(p).toMatchObject({ filled: 3, planned: 9, comesTo: 8, outOfMeat: false });
    expect(p.packedKg).toBeCloseTo(1.5, 9);
    expect(p.restKg).toBeCloseTo(0.1, 9);
  });
  test("the last one that would be part-filled is not counted", () =>
    expect(progressOf([], 9, 0.45, 0.5)).toMatchObject({ comesTo: 0, outOfMeat: true, restKg: 0.45 }));
  test("packed, coming and over always make up the whole", () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 0.6, noNaN: true }), { maxLength: 12 }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (masses, leftKg) => {
          const p = progressOf(
            masses.map((massKg) => ({ massKg })),
            9,
            leftKg,
            0.5,
          );
          const coming = p.comesTo - p.filled;
          expect(Math.abs(coming * 0.5 + p.restKg - leftKg)).toBeLessThanOrEqual(0.0101);
        },
      ),
    ));
});

describe("otherwise than the table", () => {
  const how = { liquid: "none" as const, saltTsp: 0, headspaceIn: 1.25, reusedLids: false };
  test("as published there is nothing to say", () => expect(deviationsOf(how, "raw", 1.25)).toEqual([]));
  test("an inch for birds, and used lids, are deviations; water on a raw pack and ketchup with fish are common practice", () => {
    const found = deviationsOf({ ...how, headspaceIn: 1, reusedLids: true, liquid: "water" }, "raw", 1.25);
    expect(found.map((d) => [d.key, d.kind])).toEqual([
      ["headspace", "deviation"],
      ["reused-lids", "deviation"],
      ["liquid-on-raw", "common"],
    ]);
    expect(deviationsOf(how, "raw", 1.25, ["1 tbsp ketchup"])).toMatchObject([
      { key: "added-to-fish", kind: "common", text: "1 tbsp ketchup with the fish" },
    ]);
    expect(found[0]!.text).toBe("1 in headspace instead of 1¼ in");
    expect(deviationsOf({ ...how, liquid: "broth" }, "hot", 1.25)).toEqual([]);
  });
  test("only the headspaces of a known school are offered", () => {
    expect(otherHeadspaces("poultry-rabbit-boneless", "jar-pint")).toEqual([1]);
    expect(otherHeadspaces("red-meat-pieces", "jar-pint")).toEqual([]);
    expect(otherHeadspaces("fish", "jar-quarter-pint")).toEqual([0.5]);
  });
});
