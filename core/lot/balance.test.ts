import fc from "fast-check";
import { expect, test } from "vitest";
import { balanceOf, impossibleCutting } from "./index.ts";

const kg = fc.double({ min: 0.01, max: 300, noNaN: true });

test("in = out + trim + unaccounted, exactly", () =>
  fc.assert(
    fc.property(kg, kg, fc.option(kg), (inKg, outKg, trimKg) => {
      const b = balanceOf({ inKg, outKg, trimKg });
      expect(outKg + b.trimKg + b.unaccountedKg).toBeCloseTo(inKg, 9);
    }),
  ));

test("a shoulder of 5.4 kg that gives 4.1 kg and 1.2 kg of trim leaves 0.1 kg unaccounted for", () => {
  const b = balanceOf({ inKg: 5.4, outKg: 4.1, trimKg: 1.2 });
  expect(b.unaccountedKg).toBeCloseTo(0.1, 10);
  expect(b.yield).toBeCloseTo(0.7593, 4);
});

test("more out than in is impossible, beyond what scales disagree by", () => {
  expect(impossibleCutting({ inKg: 2, outKg: 2.5, trimKg: null })).toMatch(/More came out/);
  expect(impossibleCutting({ inKg: 2, outKg: 1.8, trimKg: 0.5 })).toMatch(/together weigh more/);
  expect(impossibleCutting({ inKg: 2, outKg: 2.015, trimKg: null })).toBeNull();
  expect(() => balanceOf({ inKg: 0, outKg: 1, trimKg: null })).toThrow(RangeError);
});
