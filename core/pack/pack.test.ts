import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { fillEstimate, fullContainers, liquidLitres, mostSaltTsp } from "./index.ts";

const LB = 0.45359237;

// Common practice, no source: the first guesses of handbook section 3.4.
describe("how much a container takes", () => {
  test("raw pieces: a little over 1 lb a pint, about 2 lb a quart", () => {
    expect(fillEstimate("red-meat-pieces", "raw", "jar-pint").kgEach / LB).toBeCloseTo(1.1, 6);
    expect(fillEstimate("red-meat-pieces", "raw", "jar-quart").kgEach / LB).toBeCloseTo(2.035, 3);
  });
  test("hot packs and loose birds: about 0.9 lb a pint", () => {
    expect(fillEstimate("red-meat-pieces", "hot", "jar-pint").kgEach / LB).toBeCloseTo(0.9, 6);
    expect(fillEstimate("poultry-rabbit-boneless", "raw", "jar-pint").kgEach / LB).toBeCloseTo(0.9, 6);
  });
  test("about 1 lb of cleaned fish a one-pound can", () => {
    expect(fillEstimate("can-fish", "raw", "can-one-pound").kgEach / LB).toBe(1);
  });
  test("the household's own packs, when there are some, and how many stand behind it", () => {
    expect(fillEstimate("red-meat-pieces", "raw", "jar-pint", [0.48, 0.52])).toEqual({
      kgEach: 0.5,
      source: "these packs",
      packs: 2,
    });
  });
  test("full containers and the rest always make up the whole, and the rest is less than one", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 0.05, max: 2, noNaN: true }),
        (massKg, kgEach) => {
          const { count, leftKg } = fullContainers(massKg, kgEach);
          expect(count * kgEach + leftKg).toBeCloseTo(massKg, 6);
          expect(leftKg).toBeLessThan(kgEach + 1e-6);
        },
      ),
    ));
});

describe("what goes in beside it", () => {
  // USDA 2015 from memory: up to 1 tsp a pint and 2 tsp a quart.
  test("salt is bounded by flavour", () =>
    expect([mostSaltTsp("jar-pint"), mostSaltTsp("jar-quart")]).toEqual([1, 2]));
  test("no liquid when none is chosen; a broth is all liquid; never more than the jar", () => {
    expect(liquidLitres(473, "raw", "none", false)).toBe(0);
    expect(liquidLitres(473, "hot", "broth", true)).toBeCloseTo(0.4257, 4);
    expect(liquidLitres(473, "hot", "water", false)).toBeLessThan(0.473);
  });
});
