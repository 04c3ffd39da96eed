import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { shapeOf } from "../schedule/index.ts";
import { fillEstimate, fullContainers, liquidLitres, mostSaltTsp, usableMl } from "./index.ts";

const LB = 0.45359237;

// Common practice, no source: the first guesses of what a jar holds.
describe("how much a container takes", () => {
  test("raw pieces: a little over 1 lb a pint, about 2 lb a quart", () => {
    expect(fillEstimate("red-meat-pieces", "raw", "jar-pint").kgEach / LB).toBeCloseTo(1.02, 2);
    expect(fillEstimate("red-meat-pieces", "raw", "jar-quart").kgEach / LB).toBeCloseTo(2.12, 2);
  });
  test("hot packs and loose birds: about 0.9 lb a pint", () => {
    expect(fillEstimate("red-meat-pieces", "hot", "jar-pint").kgEach / LB).toBeCloseTo(0.9, 2);
    expect(fillEstimate("poultry-rabbit-boneless", "raw", "jar-pint").kgEach / LB).toBeCloseTo(0.85, 2);
  });
  test("about 1 lb of cleaned fish a one-pound can", () => {
    expect(fillEstimate("can-fish", "raw", "can-one-pound").kgEach / LB).toBeCloseTo(1, 1);
  });
  // By hand: a pint of 473 ml with a 60 mm neck: 473 + 35.9 ml to the brim; an inch of such a neck would take 71.8, and the
  // shoulder, which begins 19 mm down, takes a ml or two more.
  test("the room below the headspace comes from the jar's measures", () => {
    expect(usableMl(shapeOf("jar-pint", "regular"), 1)).toBeLessThan(473 + 35.908 - 71.817);
    expect(usableMl(shapeOf("jar-pint", "regular"), 1)).toBeGreaterThan(473 + 35.908 - 71.817 - 3);
    expect(usableMl(shapeOf("jar-pint", "wide"), 1)).toBeLessThan(
      usableMl(shapeOf("jar-pint", "regular"), 1),
    );
    expect(usableMl(shapeOf("can-one-pound"), 0.25)).toBeLessThan(480);
  });
});

describe("what this household's own packs teach", () => {
  const start = fillEstimate("red-meat-pieces", "raw", "jar-pint");
  const taught = (packs: number[]) => fillEstimate("red-meat-pieces", "raw", "jar-pint", packs);
  test("before any pack it is the common practice, within about a fifth", () => {
    expect(start).toMatchObject({ source: "common practice", packs: 0 });
    expect(start.highKg / start.kgEach).toBeCloseTo(1 + 1.645 * Math.hypot(0.12, 0.06), 3);
  });
  // Worked by hand: prior weight 1/0.12² = 69.44, each pack 1/0.06² = 277.78, so three packs weigh 833.3 of 902.8.
  test("three packs of 0.52 kg move a pint twelve thirteenths of the way, and the interval closes", () => {
    const after = taught([0.52, 0.52, 0.52]);
    expect(after.kgEach).toBeCloseTo((69.444 * start.kgEach + 833.333 * 0.52) / 902.778, 5);
    expect(after.packs).toBe(3);
    expect(after.highKg - after.lowKg).toBeLessThan(start.highKg - start.lowKg);
  });
  test("each pack alike moves it on in the same direction, never past what was packed", () => {
    const means = [[], [0.52], [0.52, 0.52], [0.52, 0.52, 0.52]].map((p) => taught(p).kgEach);
    expect([...means].sort((a, b) => a - b)).toEqual(means);
    expect(means.at(-1)!).toBeLessThan(0.52);
  });
  test("the mean lies inside its interval, whatever was packed", () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.2, max: 0.8, noNaN: true }), { maxLength: 20 }), (packs) => {
        const e = taught(packs);
        expect(e.lowKg).toBeLessThanOrEqual(e.kgEach);
        expect(e.highKg).toBeGreaterThanOrEqual(e.kgEach);
      }),
    ));
});

describe("full containers", () => {
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
