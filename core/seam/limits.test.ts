import { describe, expect, test } from "vitest";
import {
  beyond,
  deriveSeam,
  figuresOf,
  impossible,
  judgeSheet,
  limitsFrom,
  meanOf,
  midSeam,
  outsideBeyond,
  sheetProblems,
  typicalLimits,
  USUAL_PLATES,
  type SeamDimension,
  type SeamPosition,
  type SeamSheet,
} from "./index.ts";

// Plates of a quarter of a millimetre make figures that can be worked out in the head and compare exactly.
const PLATES = { endPlateMm: 0.25, bodyPlateMm: 0.25 };
const place = (over: Partial<SeamPosition> = {}): SeamPosition => ({
  width: 3,
  thickness: 1.5,
  countersink: 3.2,
  bodyHook: 2,
  coverHook: 1.75,
  overlap: null,
  wrinklePercent: 15,
  ...over,
});
const sheet = (...over: Partial<SeamPosition>[]): SeamSheet => ({
  ...PLATES,
  method: "micrometer",
  positions: [0, 1, 2].map((i) => place(over[i])),
});

describe("beyond a range", () => {
  test("on its edge is inside; a hair over is not; where nothing is said nothing is beyond", () => {
    const range = { low: 2, high: 3 };
    for (const inside of [2, 2.5, 3, 2 - 1e-7, 3 + 1e-7]) expect(beyond(inside, range)).toBeNull();
    expect(beyond(2 - 1e-5, range)).toBe("low");
    expect(beyond(3 + 1e-5, range)).toBe("high");
    expect(beyond(-5, { low: null, high: 3 })).toBeNull();
    expect(beyond(5, { low: 2, high: null })).toBeNull();
    expect(beyond(-5, { low: null, high: null })).toBeNull();
  });
});

describe("the worst place", () => {
  const judged = (d: SeamDimension, s: SeamSheet, ranges: Parameters<typeof limitsFrom>[0] = null) =>
    judgeSheet(s, limitsFrom(ranges, PLATES)).find((j) => j.dimension === d)!;
  test("is the one nearest to being out, among those that were measured", () => {
    const own = { source: "x", ranges: { countersink: { low: 3, high: 4 } } };
    expect(
      judged("countersink", sheet({ countersink: null }, { countersink: 3.5 }, { countersink: 3.9 }), own),
    ).toMatchObject({ worst: 3.9, position: 2, out: null, values: [null, 3.5, 3.9] });
  });
  test("with one end of the range open is the one nearest to the other", () => {
    const s = sheet({ countersink: 3.5 }, { countersink: 3.9 }, { countersink: 3.1 });
    const by = (low: number | null, high: number | null) =>
      judged("countersink", s, { source: "x", ranges: { countersink: { low, high } } }).worst;
    expect(by(3, null)).toBe(3.1);
    expect(by(null, 4)).toBe(3.9);
  });
  test("of what nobody measured is none, and it is not out", () => {
    const none = { countersink: null };
    expect(judged("countersink", sheet(none, none, none))).toMatchObject({
      worst: null,
      position: null,
      out: null,
    });
  });
  test("no limits of one's own are the typical ones", () =>
    expect(limitsFrom(null, PLATES)).toEqual(typicalLimits(PLATES)));
});

describe("what follows from what was read", () => {
  // 1.75 + 2 + 0.25 − 3 = 1; of 3 − 0.75 = 2.25 → 44.4 %; (2 − 0.275)/(3 − 0.825) = 79.3 %; 1.5 − 1.25 = 0.25.
  test("all of it, by hand and by the other way", () => {
    const f = figuresOf(place(), PLATES);
    expect(f.overlap).toBeCloseTo(1, 9);
    expect(f.overlapPercent).toBeCloseTo(44.4444, 3);
    expect(f.butting).toBeCloseTo(79.3103, 3);
    expect(f.tightness).toBe(85);
    expect(f.freeSpaceMm).toBeCloseTo(0.25, 9);
    const d = deriveSeam({ ...PLATES, widthMm: 3, thicknessMm: 1.5, bodyHookMm: 2, coverHookMm: 1.75 });
    expect(d.bodyHookButtingPercent).toBeCloseTo(f.butting!, 9);
  });
  test("nothing, where one of its parts is missing", () => {
    const of = (over: Partial<SeamPosition>) => figuresOf(place(over), PLATES);
    for (const missing of [{ width: null }, { bodyHook: null }, { overlap: null }])
      expect(of({ overlap: 1, coverHook: null, ...missing }).coverHook, JSON.stringify(missing)).toBeNull();
    expect(of({ overlap: 1, coverHook: null }).coverHook).toBeCloseTo(1.75, 9);
    for (const missing of [{ width: null }, { bodyHook: null }, { coverHook: null }]) {
      expect(of(missing).overlap, JSON.stringify(missing)).toBeNull();
      expect(of(missing).overlapPercent).toBeNull();
    }
    expect(of({ overlap: 1, width: null }).overlapPercent).toBeNull();
    expect(of({ width: null }).butting).toBeNull();
    expect(of({ bodyHook: null }).butting).toBeNull();
    expect(of({ wrinklePercent: null }).tightness).toBeNull();
    expect(of({ thickness: null }).freeSpaceMm).toBeNull();
  });
  test("a mean is of the places where it is known, and none where nowhere", () => {
    expect(meanOf(sheet({ countersink: 3 }, { countersink: null }, { countersink: 4 }), "countersink")).toBe(
      3.5,
    );
    const none = { countersink: null };
    expect(meanOf(sheet(none, none, none), "countersink")).toBeNull();
  });
});

describe("what cannot be", () => {
  const fields = (over: Partial<SeamPosition>) => impossible(place(over), PLATES).map((p) => p.field);
  test("a seam as wide as its folds, and anything longer than the seam", () => {
    expect(fields({})).toEqual([]);
    expect(fields({ width: 0.75, bodyHook: 0.5, coverHook: 0.5 })).toEqual(["width"]);
    expect(fields({ width: 0.76, bodyHook: 0.5, coverHook: 0.5 })).toEqual([]);
    expect(fields({ bodyHook: 3, coverHook: 3, overlap: 3 })).toEqual([]);
    expect(fields({ bodyHook: 3.01 })).toEqual(["bodyHook"]);
    expect(fields({ coverHook: 3.01 })).toEqual(["coverHook"]);
    expect(fields({ overlap: 3.01 })).toEqual(["overlap"]);
    expect(fields({ width: null, overlap: 1 })).toEqual([]);
  });
  test("a seam thinner than its plates, but for what a micrometer squeezes", () => {
    for (const thickness of [null, 1.25, 1.16]) expect(fields({ thickness })).toEqual([]);
    expect(fields({ thickness: 1.14 })).toEqual(["thickness"]);
  });
  test("the plates shown before any are measured are those of a common can: 0.009 and 0.008 in", () => {
    // Typical, from memory.
    expect(USUAL_PLATES.endPlateMm).toBeCloseTo(0.2286, 4);
    expect(USUAL_PLATES.bodyPlateMm).toBeCloseTo(0.2032, 4);
  });
  test("a wrinkle of less than nothing or more than all", () => {
    for (const wrinklePercent of [null, 0, 100]) expect(fields({ wrinklePercent })).toEqual([]);
    for (const wrinklePercent of [-1, 101, NaN])
      expect(fields({ wrinklePercent })).toEqual(["wrinklePercent"]);
  });
  test("with a plate of no thickness nothing else is said", () =>
    expect(sheetProblems({ ...sheet({ width: null }), bodyPlateMm: 0 }).map((p) => p.field)).toEqual([
      "bodyPlate",
    ]));
});

describe("read from outside", () => {
  const limits = typicalLimits(PLATES);
  test("the first that is beyond its limits is named; what was not read is not", () => {
    const width = limits.ranges.width;
    expect(outsideBeyond({}, limits)).toBeNull();
    expect(outsideBeyond({ width: width.low! }, limits)).toBeNull();
    expect(outsideBeyond({ width: width.low! - 0.1, countersink: 9 }, limits)).toMatch(
      /^Seam width .* too small/,
    );
    expect(outsideBeyond({ countersink: 9 }, limits)).toMatch(/^Countersink of .* too large/);
  });
});

test("a seam to draw lies in the middle of its limits, or on the one end that is said", () => {
  const own = {
    source: "x",
    ranges: {
      width: { low: 2.8, high: 3.2 },
      thickness: { low: 1.2, high: null },
      bodyHook: { low: null, high: 2.1 },
      coverHook: { low: null, high: null },
    },
  };
  expect(midSeam(limitsFrom(own, PLATES), PLATES)).toEqual({
    ...PLATES,
    widthMm: 3,
    thicknessMm: 1.2,
    bodyHookMm: 2.1,
    coverHookMm: 0,
    countersinkMm: expect.closeTo(0.125 * 25.4, 9),
  });
});
