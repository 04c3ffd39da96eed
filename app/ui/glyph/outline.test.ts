import { describe, expect, test } from "vitest";
import { SHAPES, shapeOf } from "#core/schedule";
import { jarOutline, levelY, lidWidth, RIM_MM } from "./outline";
import { PATTERN_LETTERS, patternOf } from "./pattern";

const jars = SHAPES.filter((s) => s.mouth !== null);
const numbersOf = (path: string) => [...path.matchAll(/-?\d+(\.\d+)?/g)].map((m) => Number(m[0]));

describe("a jar is drawn from its measures, in millimeters", () => {
  test.each(jars.map((s) => [s.name, s] as const))("%s stays inside its own width and height", (_, shape) => {
    const path = jarOutline(shape);
    expect(path).not.toContain("NaN");
    for (const n of numbersOf(path)) {
      expect(n).toBeGreaterThanOrEqual(0);
      expect(n).toBeLessThanOrEqual(Math.max(shape.outsideDiameterMm, shape.heightMm));
    }
    expect(lidWidth(shape)).toBeLessThanOrEqual(shape.outsideDiameterMm + 6);
  });
  test("the contents end at the headspace below the rim, and at the bottom when there are none", () => {
    const pint = shapeOf("jar-pint");
    expect(levelY(pint, 25.4, 1) - RIM_MM).toBeCloseTo(25.4, 9);
    expect(levelY(pint, 31.75, 1) - RIM_MM).toBeCloseTo(31.75, 9);
    expect(levelY(pint, 25.4, 0)).toBe(pint.heightMm);
  });
  test("a wide mouth is drawn wider than a regular one of the same size", () => {
    expect(lidWidth(shapeOf("jar-pint", "wide"))).toBe(lidWidth(shapeOf("jar-pint", "regular")) + 16);
  });
});

describe("a lot's pattern", () => {
  test("is the same every time, and all six are used", () => {
    expect(patternOf("7K4-R")).toBe(patternOf("7K4-R"));
    const used = new Set(Array.from({ length: 60 }, (_, i) => patternOf(`AB${i}-C`)));
    expect(used.size).toBe(PATTERN_LETTERS.length);
  });
});
