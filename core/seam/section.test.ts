import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { overlapMm, seamSection, type SeamMeasures } from "./index.ts";

/** Points along a path of M, L and A, arcs cut into short chords: an SVG reader written for this test alone. */
function pointsOf(d: string): { x: number; y: number }[] {
  const points: { x: number; y: number }[] = [];
  for (const [, op, rest] of d.matchAll(/([MLA])([^MLA]*)/g)) {
    const v = rest!.trim().split(/\s+/).map(Number);
    const [x, y] = [v.at(-2)!, v.at(-1)!];
    const from = points.at(-1);
    if (op !== "A" || !from) {
      points.push({ x, y });
      continue;
    }
    const r = v[0]!;
    const sweep = v[4]!;
    // Centre of the shorter arc, by the geometry of a chord.
    const [dx, dy] = [x - from.x, y - from.y];
    const half = Math.hypot(dx, dy) / 2;
    if (half < 1e-9) continue;
    const rise = Math.sqrt(Math.max(0, r * r - half * half)) * (sweep === 1 ? 1 : -1);
    const c = {
      x: (from.x + x) / 2 - (rise * dy) / (2 * half),
      y: (from.y + y) / 2 + (rise * dx) / (2 * half),
    };
    const a0 = Math.atan2(from.y - c.y, from.x - c.x);
    let turn = Math.atan2(y - c.y, x - c.x) - a0;
    if (sweep === 1 && turn < 0) turn += 2 * Math.PI;
    if (sweep === 0 && turn > 0) turn -= 2 * Math.PI;
    for (let i = 1; i <= 24; i++)
      points.push({
        x: c.x + r * Math.cos(a0 + (turn * i) / 24),
        y: c.y + r * Math.sin(a0 + (turn * i) / 24),
      });
  }
  return points;
}

const seams = fc
  .record({
    endPlateMm: fc.double({ min: 0.18, max: 0.3, noNaN: true }),
    bodyPlateMm: fc.double({ min: 0.16, max: 0.28, noNaN: true }),
    widthMm: fc.double({ min: 2.5, max: 3.4, noNaN: true }),
    bodyHookMm: fc.double({ min: 1, max: 2.2, noNaN: true }),
    coverHookMm: fc.double({ min: 1, max: 2.2, noNaN: true }),
    free: fc.double({ min: 0, max: 0.4, noNaN: true }),
    countersinkMm: fc.double({ min: 2.8, max: 3.6, noNaN: true }),
  })
  .map(({ free, ...m }): SeamMeasures & { countersinkMm: number } => ({
    ...m,
    thicknessMm: 3 * m.endPlateMm + 2 * m.bodyPlateMm + free,
  }));

describe("the drawn seam is the measured one", () => {
  test("measured off the paths: width, thickness, both hooks, their overlap and the countersink", () =>
    fc.assert(
      fc.property(seams, (m) => {
        const s = seamSection(m)!;
        const cover = pointsOf(s.cover);
        const body = pointsOf(s.body);
        const half = m.endPlateMm / 2;
        const chuckX = Math.max(...cover.filter((p) => p.y < m.widthMm / 2).map((p) => p.x));
        const seamPart = cover.filter((p) => p.x <= chuckX - half && p.y > 0.9);
        const top = Math.min(...cover.map((p) => p.y)) - half;
        const bottom = Math.max(...seamPart.map((p) => p.y)) + half;
        expect(bottom - top).toBeCloseTo(m.widthMm, 2);
        const left = Math.min(...cover.map((p) => p.x)) - half;
        expect(chuckX + half - left).toBeCloseTo(m.thicknessMm, 3);
        const coverTip = cover[0]!;
        const bodyTip = body[0]!;
        expect(bottom - coverTip.y).toBeCloseTo(m.coverHookMm, 2);
        const bodyTop = Math.min(...body.map((p) => p.y)) - m.bodyPlateMm / 2;
        expect(bodyTip.y - bodyTop).toBeCloseTo(m.bodyHookMm, 2);
        expect(bodyTip.y - coverTip.y).toBeCloseTo(overlapMm(m), 2);
        const panel = cover.at(-1)!.y - half;
        expect(panel - top).toBeCloseTo(m.countersinkMm, 3);
      }),
    ));
  test("plates lie beside one another and never in one another", () =>
    fc.assert(
      fc.property(seams, (m) => {
        const s = seamSection(m)!;
        const cover = pointsOf(s.cover);
        const body = pointsOf(s.body);
        const mid = m.widthMm / 2;
        const wallX = Math.min(...cover.map((p) => p.x));
        const [hookX, bodyX] = [Math.min(...body.map((p) => p.x)), Math.max(...body.map((p) => p.x))];
        const coverHookX = cover[0]!.x;
        const chuckX = Math.max(...cover.filter((p) => p.y < mid).map((p) => p.x));
        const clear = (m.endPlateMm + m.bodyPlateMm) / 2 - 1e-3;
        expect(hookX - wallX).toBeGreaterThanOrEqual(clear);
        expect(coverHookX - hookX).toBeGreaterThanOrEqual(clear);
        expect(bodyX - coverHookX).toBeGreaterThanOrEqual(clear);
        expect(chuckX - bodyX).toBeGreaterThanOrEqual(clear);
      }),
    ));
  test("the marks lie where the figures say", () =>
    fc.assert(
      fc.property(seams, (m) => {
        const { marks } = seamSection(m)!;
        const tall = (k: keyof typeof marks) => marks[k].to.y - marks[k].from.y;
        expect(tall("overlap")).toBeCloseTo(overlapMm(m), 9);
        expect(tall("width")).toBeCloseTo(m.widthMm, 9);
        expect(tall("coverHook")).toBeCloseTo(m.coverHookMm, 9);
        expect(tall("bodyHook")).toBeCloseTo(m.bodyHookMm, 9);
        expect(marks.thickness.to.x - marks.thickness.from.x).toBeCloseTo(m.thicknessMm, 9);
      }),
    ));
  test("hooks that do not meet are drawn apart; hooks shorter than their folds end within them", () => {
    const apart = seamSection({
      endPlateMm: 0.23,
      bodyPlateMm: 0.2,
      widthMm: 2.9,
      thicknessMm: 1.25,
      bodyHookMm: 1.1,
      coverHookMm: 0.9,
    })!;
    expect(pointsOf(apart.body)[0]!.y).toBeLessThan(pointsOf(apart.cover)[0]!.y);
    const stub = seamSection({
      endPlateMm: 0.23,
      bodyPlateMm: 0.2,
      widthMm: 2.9,
      thicknessMm: 1.25,
      bodyHookMm: 0.3,
      coverHookMm: 0.3,
    })!;
    expect(stub.cover).not.toContain("NaN");
    expect(pointsOf(stub.body)[0]!.y).toBeCloseTo(0.23 + 0.3, 1);
  });
  test("measures of no seam draw nothing", () => {
    const m = { endPlateMm: 0.23, bodyPlateMm: 0.2, thicknessMm: 1.25, bodyHookMm: 0.4, coverHookMm: 0.4 };
    expect(seamSection({ ...m, widthMm: 0.8 })).toBeNull();
    expect(seamSection({ ...m, widthMm: 2.9, bodyHookMm: 0 })).toBeNull();
    expect(seamSection({ ...m, widthMm: Number.NaN })).toBeNull();
  });
});
