import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  MEASURED_BY,
  adviceFor,
  deriveSeam,
  figuresOf,
  judgeSheet,
  limitsFrom,
  overlapMm,
  passes,
  sheetProblems,
  typicalLimits,
  verdictOf,
  type SeamPosition,
  type SeamSheet,
} from "./index.ts";

const INCH = 25.4;
const inch = (v: number) => v * INCH;
const PLATES = { endPlateMm: inch(0.009), bodyPlateMm: inch(0.008) };
const place = (over: Partial<SeamPosition> = {}): SeamPosition => ({
  width: inch(0.115),
  thickness: inch(0.0485),
  countersink: inch(0.125),
  bodyHook: inch(0.08),
  coverHook: inch(0.078),
  overlap: null,
  wrinklePercent: 15,
  ...over,
});
const sheet = (over: Partial<SeamPosition> = {}, method: SeamSheet["method"] = "micrometer"): SeamSheet => ({
  ...PLATES,
  method,
  positions: [place(), place(over), place()],
});

// 21 CFR 113.60(a)(1): theoretical overlap length = CH + BH + T − W, T the cover's thickness (from memory).
describe("overlap by the regulation's formula, worked by hand in thousandths of an inch", () => {
  test.each([
    [78, 80, 9, 115, 52],
    [64, 80, 9, 117, 36],
    [75, 78, 10, 118, 45],
    [60, 62, 9, 120, 11],
    [40, 60, 9, 116, -7],
  ])("CH %i + BH %i + T %i − W %i = %i", (ch, bh, t, w, overlap) => {
    const mm = (thou: number) => inch(thou / 1000);
    const m = { coverHookMm: mm(ch), bodyHookMm: mm(bh), endPlateMm: mm(t), widthMm: mm(w) };
    expect(overlapMm(m) / INCH).toBeCloseTo(overlap / 1000, 9);
  });
});

// Formulas of industry seam practice, from memory; arithmetic by hand.
describe("the other figures, worked by hand", () => {
  // In thousandths: OL 52; W − (2·9 + 8) = 89 → 58.427 %. BH − 1.1·8 = 71.2; W − 1.1·26 = 86.4 → 82.407 %. S 48.5 − 43 = 5.5.
  test("a good seam", () => {
    const f = deriveSeam({
      ...PLATES,
      coverHookMm: inch(0.078),
      bodyHookMm: inch(0.08),
      widthMm: inch(0.115),
      thicknessMm: inch(0.0485),
      wrinklePercent: 15,
    });
    expect(f.overlapMm / INCH).toBeCloseTo(0.052, 9);
    expect(f.overlapPercent).toBeCloseTo(58.427, 3);
    expect(f.bodyHookButtingPercent).toBeCloseTo(82.407, 3);
    expect(f.freeSpaceMm / INCH).toBeCloseTo(0.0055, 9);
    expect(f.tightnessPercent).toBe(85);
  });
  // In mm, plates 0.25 and 0.20: OL 1.6 + 1.9 + 0.25 − 3 = 0.75; of 3 − 0.7 = 2.3 → 32.609 %; (1.9 − 0.22)/(3 − 0.77) = 75.336 %; S 1.3 − 1.15.
  test("a seam in millimeters with a short cover hook; nothing said of wrinkles", () => {
    const f = deriveSeam({
      endPlateMm: 0.25,
      bodyPlateMm: 0.2,
      coverHookMm: 1.6,
      bodyHookMm: 1.9,
      widthMm: 3,
      thicknessMm: 1.3,
    });
    expect(f.overlapMm).toBeCloseTo(0.75, 9);
    expect(f.overlapPercent).toBeCloseTo(32.609, 3);
    expect(f.bodyHookButtingPercent).toBeCloseTo(75.336, 3);
    expect(f.freeSpaceMm).toBeCloseTo(0.15, 9);
    expect(f).not.toHaveProperty("tightnessPercent");
  });
  test("on a projector the cover hook follows from the overlap that was read, and comes back to it", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 1.6, noNaN: true }),
        fc.double({ min: 1.5, max: 2.3, noNaN: true }),
        (overlap, bodyHook) => {
          const f = figuresOf(place({ overlap, bodyHook, coverHook: null }), PLATES);
          const again = figuresOf(place({ coverHook: f.coverHook, bodyHook }), PLATES);
          expect(again.overlap).toBeCloseTo(overlap, 9);
          expect(again.overlapPercent).toBeCloseTo(f.overlapPercent!, 9);
        },
      ),
    ));
  test("without a width nothing is made up: no percent, no cover hook", () => {
    const f = figuresOf(place({ overlap: 1, width: null, coverHook: null }), PLATES);
    expect([f.coverHook, f.overlapPercent, f.butting, f.overlap]).toEqual([null, null, null, 1]);
  });
});

describe("a tear-down sheet", () => {
  test("what each method has to give, as in 21 CFR 113.60(a)(1)(i) (from memory)", () => {
    expect([...MEASURED_BY.micrometer.required].sort()).toEqual(
      ["bodyHook", "coverHook", "thickness", "tightness", "width"].sort(),
    );
    expect([...MEASURED_BY.projector.required].sort()).toEqual(
      ["bodyHook", "overlap", "thickness", "tightness"].sort(),
    );
    expect(sheetProblems(sheet())).toEqual([]);
    const seen = { overlap: inch(0.05), width: null, coverHook: null, countersink: null };
    const projected: SeamSheet = {
      ...PLATES,
      method: "projector",
      positions: [place(seen), place(seen), place(seen)],
    };
    expect(sheetProblems(projected)).toEqual([]);
    expect(sheetProblems({ ...projected, method: "micrometer" }).map((p) => p.field)).toContain(
      "0.coverHook",
    );
  });
  test("two places instead of three: each missing measurement of the third is named", () => {
    const two = { ...sheet(), positions: [place(), place()] };
    expect(sheetProblems(two).map((p) => p.field)).toEqual([
      "2.coverHook",
      "2.bodyHook",
      "2.width",
      "2.wrinklePercent",
      "2.thickness",
    ]);
    expect(sheetProblems(two)[0]!.message).toContain("three places");
    expect(
      sheetProblems({ ...sheet(), positions: Array.from({ length: 4 }, () => place()) }).map((p) => p.field),
    ).toEqual(["positions"]);
  });
  test.each([
    ["a hook longer than the seam", { coverHook: inch(0.12) }, "1.coverHook", /longer than the seam/],
    ["the other hook", { bodyHook: inch(0.116) }, "1.bodyHook", /longer than the seam/],
    ["thinner than its plates", { thickness: inch(0.036) }, "1.thickness", /Five plates/],
    ["narrower than its folds", { width: inch(0.024), bodyHook: 0.1, coverHook: 0.1 }, "1.width", /folded/],
    ["a wrinkle of 120 percent", { wrinklePercent: 120 }, "1.wrinklePercent", /0 to 100/],
    ["nothing measured where something must be", { bodyHook: null }, "1.bodyHook", /missing/],
    ["a length of zero", { width: 0 }, "1.width", /more than zero/],
  ])("%s is said at its field", (_, over, field, message) => {
    const found = sheetProblems(sheet(over)).find((p) => p.field === field);
    expect(found?.message).toMatch(message);
  });
  test("a plate of no thickness is said before anything is worked out with it", () => {
    expect(sheetProblems({ ...sheet(), endPlateMm: 0, bodyPlateMm: -1 }).map((p) => p.field)).toEqual([
      "endPlate",
      "bodyPlate",
    ]);
  });
});

// Starting values of industry seam practice, from memory.
describe("against limits", () => {
  const limits = typicalLimits(PLATES);
  test("the shipped limits say that they are typical and from memory; thickness follows the plates", () => {
    expect(limits.typical).toBe(true);
    expect(limits.source).toContain("from memory");
    expect(limits.ranges.thickness.low! / INCH).toBeCloseTo(0.046, 6);
    expect(limits.ranges.thickness.high! / INCH).toBeCloseTo(0.051, 6);
  });
  test("a good can passes; a cover hook of 0.064 at one place fails by hook and by overlap, there", () => {
    expect(passes(judgeSheet(sheet(), limits))).toBe(true);
    const judged = judgeSheet(sheet({ coverHook: inch(0.064), width: inch(0.117) }), limits);
    const out = judged.filter((j) => j.out !== null);
    expect(out.map((j) => [j.dimension, j.out, j.position])).toEqual([
      ["coverHook", "low", 1],
      ["overlap", "low", 1],
      ["overlapPercent", "low", 1],
    ]);
    expect(adviceFor("coverHook", "low")).toMatch(/first roll is usually too loose/);
    expect(adviceFor("width", null)).toBeNull();
  });
  test("exactly on a limit is inside; a ten-thousandth of an inch over is not", () => {
    expect(passes(judgeSheet(sheet({ width: inch(0.12), coverHook: inch(0.083) }), limits))).toBe(true);
    expect(passes(judgeSheet(sheet({ width: inch(0.1201), coverHook: inch(0.083) }), limits))).toBe(false);
  });
  test("the maker's limits replace the typical ones where the maker says something", () => {
    const own = limitsFrom({ source: "Sealer’s sheet", ranges: { width: { low: 3, high: 3.2 } } }, PLATES);
    expect(own).toMatchObject({ typical: false, source: "Sealer’s sheet" });
    expect(own.ranges.width).toEqual({ low: 3, high: 3.2 });
    expect(own.ranges.overlap).toEqual(limits.ranges.overlap);
    expect(passes(judgeSheet(sheet(), own))).toBe(false);
  });
  test("whatever is measured, a wider limit never fails what a narrower one passes", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 2.5, max: 3.5, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (width, narrow, more) => {
          const by = (reach: number) =>
            limitsFrom({ source: "x", ranges: { width: { low: 3 - reach, high: 3 + reach } } }, PLATES);
          const at = (reach: number) =>
            judgeSheet(
              { ...sheet(), positions: Array.from({ length: 3 }, () => place({ width })) },
              by(reach),
            ).find((j) => j.dimension === "width")!.out;
          fc.pre(at(narrow) === null);
          expect(at(narrow + more)).toBeNull();
        },
      ),
    ));
});

describe("what eye and fingertip say", () => {
  test("nothing found is accepted; a droop is done again; what the next can would have too stops the sealer", () => {
    expect(verdictOf([])).toBe("accept");
    expect(verdictOf(["droop"])).toBe("redo");
    expect(verdictOf(["droop", "cutover"])).toBe("stop");
    expect(verdictOf(["false-seam"])).toBe("stop");
  });
});
