import { describe, expect, test } from "vitest";
import { SHAPES, shapeOf } from "../schedule/index.ts";
import { depthOf, profileOf, usableMl, volumeBelow } from "./index.ts";

const jars = SHAPES.filter((s) => s.mouth !== null);

describe("the inside of a container", () => {
  test.each(SHAPES.map((s) => [s.name, s] as const))("%s holds its nominal volume", (_, shape) => {
    const from = shape.mouth === null ? 0 : 12.7;
    expect(volumeBelow(profileOf(shape), from)).toBeCloseTo(shape.nominalMl, 3);
  });
  test.each(jars.map((s) => [s.name, s] as const))("%s has glass from 1½ to 6 mm thick", (_, shape) => {
    const body = profileOf(shape).steps.at(-1)!.radiusMm;
    const glass = shape.outsideDiameterMm / 2 - body;
    expect(glass).toBeGreaterThan(1.5);
    expect(glass).toBeLessThan(6);
  });
  // By hand: from ½ in to 1 in the neck of a pint is straight for 6.3 mm and 60 mm wide, then widens: a little over 473 − 35.9 × ½ − …
  test("a pint's room at 1 in is its nominal volume less half an inch of neck and a little of the shoulder", () => {
    const straight = 473 - (Math.PI / 4) * 60 ** 2 * 12.7e-3;
    expect(usableMl(shapeOf("jar-pint", "regular"), 1)).toBeLessThan(straight);
    expect(usableMl(shapeOf("jar-pint", "regular"), 1)).toBeGreaterThan(straight - 4);
  });
  test("deeper headspace leaves less room, all the way down", () => {
    for (const shape of SHAPES) {
      const rooms = [0.25, 0.5, 1, 1.25, 1.5].map((h) => usableMl(shape, h));
      expect([...rooms].sort((a, b) => b - a)).toEqual(rooms);
    }
  });
  // A slice at a time, against the closed form of a cone's frustum.
  test("volumes agree with ten thousand thin slices", () => {
    for (const shape of SHAPES) {
      const p = profileOf(shape);
      const radiusAt = (d: number) => {
        const i = p.steps.findIndex((s, k) => k > 0 && s.depthMm >= d);
        const [a, b] = [p.steps[i - 1]!, p.steps[i]!];
        return a.radiusMm + ((d - a.depthMm) / (b.depthMm - a.depthMm)) * (b.radiusMm - a.radiusMm);
      };
      const n = 10_000;
      const h = (p.depthMm - 20) / n;
      let ml = 0;
      for (let i = 0; i < n; i++) ml += Math.PI * radiusAt(20 + (i + 0.5) * h) ** 2 * h * 1e-3;
      expect(volumeBelow(p, 20) / ml).toBeCloseTo(1, 5);
    }
  });
  test.each(SHAPES.map((s) => [s.name, s] as const))("%s: so deep as so much stands in it", (_, shape) => {
    for (const part of [0, 0.2, 0.5, 0.9]) {
      const ml = part * usableMl(shape, 0);
      expect(volumeBelow(profileOf(shape), depthOf(shape, ml))).toBeCloseTo(ml, 6);
    }
    expect(depthOf(shape, usableMl(shape, 0) * 2)).toBeCloseTo(0, 9);
  });
});
