import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { SHAPES, isCan } from "../schedule/index.ts";
import {
  CANNER_PRESETS,
  EXACT_MM,
  GAP_MM,
  PUBLISHED_RATIOS,
  cannerCapacity,
  circlesInCircle,
  fitsIn,
  arrangeLoad,
  layerPlaces,
  loadPatterns,
  manualShare,
  mixedInCircle,
  presetFor,
  fitsHeight,
  type Pot,
  layersFor,
  kindKey,
} from "./index.ts";

const farthest = (places: { xMm: number; yMm: number }[]) =>
  Math.max(0, ...places.map((p) => Math.hypot(p.xMm, p.yMm)));

function nearest(places: { xMm: number; yMm: number }[]): number {
  let least = Infinity;
  for (const [i, a] of places.entries())
    for (const b of places.slice(i + 1)) least = Math.min(least, Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm));
  return least;
}

// Graham et al., Discrete Mathematics 181 (1998), for small n; Specht's tables: ratio of the diameters, four decimals.
describe("equal containers in a round pot, against the published ratios", () => {
  test.each(PUBLISHED_RATIOS.map((ratio, i) => [i + 1, ratio] as const))(
    "%i containers fit at a ratio of %f: nothing overlaps, nothing leaves the pot",
    (n, ratio) => {
      const places = circlesInCircle(ratio * 82, 82);
      // Six and seven share a ratio, and so do eighteen and nineteen: the pot then holds the more.
      expect(places.length).toBe(PUBLISHED_RATIOS.lastIndexOf(ratio) + 1);
      expect(places.length).toBeGreaterThanOrEqual(n);
      expect(nearest(places)).toBeGreaterThanOrEqual(82 - EXACT_MM);
      expect(farthest(places)).toBeLessThanOrEqual((ratio * 82 - 82) / 2 + EXACT_MM);
    },
  );
  test.each(PUBLISHED_RATIOS.map((ratio, i) => [i + 1, ratio] as const).filter(([n]) => n > 1))(
    "%i do not fit in a pot half a millimetre narrower",
    (n, ratio) => expect(circlesInCircle(ratio * 82 - 0.5, 82).length).toBeLessThan(n),
  );
  test("seven quarts stand in a 12¼-inch pot, and ten pints just do without a gap", () => {
    expect(circlesInCircle(311, 95)).toHaveLength(7);
    expect(circlesInCircle(312.7, 82)).toHaveLength(10);
    expect(circlesInCircle(311, 82, GAP_MM)).toHaveLength(9);
  });
  test("a gap is kept between jars, not to the wall", () => {
    // Two jars of 80 with 4 between need 164.
    expect(circlesInCircle(164, 80, 4)).toHaveLength(2);
    expect(circlesInCircle(163.5, 80, 4)).toHaveLength(1);
    expect(circlesInCircle(80, 80, 50)).toHaveLength(1);
  });
  test("nothing fits in a pot narrower than the jar", () => expect(circlesInCircle(79, 80)).toEqual([]));
  test("many small ones stand in rows: 37 by the hexagon", () =>
    expect(circlesInCircle(7.001 * 50, 50).length).toBeGreaterThanOrEqual(37));
  test("measures that are none are refused", () => {
    expect(() => circlesInCircle(0, 80)).toThrow(RangeError);
    expect(() => circlesInCircle(300, -1)).toThrow(RangeError);
    expect(() => circlesInCircle(300, 80, Number.NaN)).toThrow(RangeError);
  });
  test("in any pot: no two nearer than a jar and its gap, none outside, and never fewer in a wider pot", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 40, max: 120, noNaN: true }),
        fc.double({ min: 1, max: 7.5, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (d, ratio, gap) => {
          const places = circlesInCircle(d * ratio, d, gap);
          expect(nearest(places)).toBeGreaterThanOrEqual(d + gap - EXACT_MM);
          expect(farthest(places)).toBeLessThanOrEqual((d * ratio - d) / 2 + EXACT_MM);
          expect(circlesInCircle(d * ratio * 1.05, d, gap).length).toBeGreaterThanOrEqual(places.length);
        },
      ),
      { numRuns: 200 },
    ));
});

describe("sizes mixed in one layer", () => {
  test("never overlap and never leave the pot", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 250, max: 400 }),
        fc.array(fc.constantFrom(70, 74, 82, 88, 95, 101), { minLength: 1, maxLength: 14 }),
        fc.constantFrom(0, 3, 6),
        (inside, diameters, gap) => {
          const stood = mixedInCircle(inside, diameters, gap);
          if (!stood) return;
          expect(stood.map((s) => s.outsideDiameterMm)).toEqual(diameters);
          for (const [i, a] of stood.entries()) {
            expect(Math.hypot(a.xMm, a.yMm) + a.outsideDiameterMm / 2).toBeLessThanOrEqual(
              inside / 2 + EXACT_MM,
            );
            for (const b of stood.slice(i + 1))
              expect(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)).toBeGreaterThanOrEqual(
                (a.outsideDiameterMm + b.outsideDiameterMm) / 2 + gap - EXACT_MM,
              );
          }
        },
      ),
      { numRuns: 300 },
    ));
  test("a half-pint finds room where another quart does not", () => {
    expect(mixedInCircle(290, [95, 95, 95, 95, 95, 95, 95, 95])).toBeNull();
    expect(mixedInCircle(311, [101, 101, 101, 101, 101, 74, 74])).not.toBeNull();
  });
});

describe("layers", () => {
  test("two layers of pints on a rack each stand in 287 mm; quarts only once", () => {
    const pot = { insideDiameterMm: 311, usableHeightMm: 287, rackHeightMm: 5 };
    const pints = cannerCapacity({ ...pot, container: { outsideDiameterMm: 82, heightMm: 130 } });
    expect([pints.perLayer, pints.layers, pints.total]).toEqual([9, 2, 18]);
    expect(pints.positions.filter((p) => p.layer === 2)).toHaveLength(9);
    expect(cannerCapacity({ ...pot, container: { outsideDiameterMm: 95, heightMm: 175 } }).layers).toBe(1);
  });
  test("a canner lower than the jar holds nothing", () =>
    expect(
      cannerCapacity({
        insideDiameterMm: 311,
        usableHeightMm: 120,
        container: { outsideDiameterMm: 82, heightMm: 130 },
      }),
    ).toEqual({ perLayer: 0, layers: 0, total: 0, positions: [] }));
});

const potOf = (quarts: number, manual: Pot["manual"] = {}): Pot => ({ ...presetFor(quarts), manual });
const pint = "jar-pint regular";
const quart = "jar-quart regular";
const halfPint = "jar-half-pint regular";

describe("what one load of a canner can be", () => {
  const most = (pot: Pot, kind: string) =>
    Math.max(0, ...loadPatterns(pot, [kind]).map((p) => p.counts[kind] ?? 0));
  // Common practice, no source: what canners of these sizes are sold as holding.
  test("plain sizes hold what is commonly said: 7 quarts in 16 quarts, 4 in 10, two layers of pints in 23", () => {
    expect(most(potOf(16), quart)).toBe(7);
    expect(most(potOf(10), quart)).toBe(4);
    expect(most(potOf(23), pint)).toBe(18);
    expect(most(potOf(16), pint)).toBe(9);
  });
  test("the manual's number is the limit", () => {
    expect(most(potOf(23, { "jar-pint": 16 }), pint)).toBe(16);
    expect(most(potOf(23, { "jar-pint": 0 }), pint)).toBe(0);
  });
  test("cans stand on one another without a rack between; never beside jars", () => {
    expect(most(potOf(16), "can-half-pound")).toBe(3 * 8);
    for (const p of loadPatterns(potOf(21), ["can-half-pound", pint, quart]))
      expect(
        p.counts["can-half-pound"] !== undefined && (p.counts[pint] ?? p.counts[quart]) !== undefined,
      ).toBe(false);
  });
  test("every pattern of every preset stands, is laid out without overlap, and keeps to the manual", () => {
    for (const preset of CANNER_PRESETS) {
      const pot: Pot = { ...preset, manual: { "jar-pint": 15, "jar-half-pint": 17 } };
      for (const p of loadPatterns(pot, [pint, quart, halfPint, "jar-pint wide"])) {
        expect(fitsHeight(pot, p.layers)).toBe(true);
        expect(Object.keys(p.counts).length).toBeLessThanOrEqual(2);
        expect(manualShare(pot, p.counts)).toBeLessThanOrEqual(1 + 1e-9);
        for (const layer of p.layers) expect(layerPlaces(pot, layer).length).toBeGreaterThan(0);
        expect(arrangeLoad(pot, p.counts).length).toBeGreaterThan(0);
      }
    }
  });
  test("no pattern lies inside another", () => {
    const patterns = loadPatterns(potOf(21), [pint, quart, halfPint]);
    for (const p of patterns) expect(patterns.filter((q) => fitsIn(p.counts, q))).toEqual([p]);
  });
  test("a load that fits nowhere is said not to", () =>
    expect(() => arrangeLoad(potOf(10), { [quart]: 5 })).toThrow(RangeError));
});

test("how a canner can be loaded does not depend on the order in which sizes are asked for", () => {
  const kinds = ["jar-half-pint regular", "jar-pint wide", "jar-pint regular", "jar-quart wide"];
  for (const insideDiameterMm of [165, 205, 255, 311]) {
    const pot = { insideDiameterMm, usableHeightMm: 262, racks: 2, rackHeightMm: 5, manual: {} };
    const ways = (k: string[]) =>
      loadPatterns(pot, k)
        .map((p) => JSON.stringify(Object.entries(p.counts).sort()))
        .sort();
    for (const a of kinds) for (const b of kinds) if (a !== b) expect(ways([a, b])).toEqual(ways([b, a]));
  }
});

test("every load that is arranged stands in its layers where it is drawn", () => {
  const kinds = SHAPES.filter((s) => !isCan(s.key)).map((s) => kindKey(s.key, s.mouth));
  const anyLoad = fc.record({
    insideDiameterMm: fc.integer({ min: 160, max: 400 }),
    usableHeightMm: fc.integer({ min: 150, max: 370 }),
    racks: fc.integer({ min: 1, max: 3 }),
    counts: fc.dictionary(fc.constantFrom(...kinds), fc.integer({ min: 1, max: 9 }), {
      minKeys: 1,
      maxKeys: 4,
    }),
  });
  fc.assert(
    fc.property(anyLoad, ({ counts, ...measures }) => {
      const pot = { ...measures, rackHeightMm: 5, manual: {} };
      const layers = layersFor(pot, counts);
      if (!layers) return;
      const standing = layers.flatMap((layer) => layerPlaces(pot, layer));
      for (const [kind, n] of Object.entries(counts))
        expect(standing.filter((s) => s.kind === kind)).toHaveLength(n);
    }),
    { numRuns: 100 },
  );
}, 30_000);
