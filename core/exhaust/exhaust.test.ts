import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { EXHAUST_TEMP_C } from "../schedule/index.ts";
import { canAt, doubtOf, fastestRise, isFitStage, type CanHistory } from "./index.ts";

const MIN = 60_000;
const START = Date.UTC(2026, 10, 20, 8);
const can = (over: Partial<CanHistory> = {}): CanHistory => ({
  container: "can-half-pound",
  hot: false,
  filledAt: START,
  readings: [],
  seam: null,
  signed: false,
  ...over,
});
const at = (minute: number, tempC: number, more: object = {}) => ({
  at: START + minute * MIN,
  tempC,
  ...more,
});

// Olson & Jackson 1942, from memory. By hand for the ½-lb can: a 4.365 cm, b 2.56 cm, α 0.09 cm²/min:
// 1/a² + 0.427/b² = 0.05249 + 0.06516 = 0.11764; f = 0.398/(0.09 × 0.11764) = 37.59 min; 2.3026/37.59 × (98 − 10) = 5.390 °C/min.
describe("how fast the middle of a can may warm", () => {
  test("from the heating rate of a finite cylinder, by hand", () => {
    expect(fastestRise("can-half-pound", 10)).toBeCloseTo(5.39, 2);
    expect(fastestRise("can-half-pound", 98)).toBe(0);
    expect(fastestRise("can-one-pound", 10)).toBeLessThan(fastestRise("can-half-pound", 10));
  });
  test("no real heating curve of a can all in boiling water is doubted, at any interval", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.integer({ min: 1, max: 10 }),
        (t0, every) => {
          // The series' first term with its lag: the temperature never leaves the start before the lag is over.
          const f = (Math.LN10 * 88) / fastestRise("can-half-pound", 10);
          const curve = (m: number) => Math.max(t0, 98 - 2.04 * (98 - t0) * 10 ** (-m / f));
          for (let m = every; m < 90; m += every) {
            const before = at(m - every, curve(m - every));
            expect(doubtOf(at(m, curve(m)), before, "can-half-pound", START, false)).toBeNull();
          }
        },
      ),
    ));
});

describe("a reading that is asked about", () => {
  test("rises faster than heat gets to the middle", () => {
    expect(doubtOf(at(2, 78), at(0, 20), "can-half-pound", null, false)).toBe("too-fast");
    expect(doubtOf(at(2, 28), at(0, 20), "can-half-pound", null, false)).toBeNull();
  });
  test("a first reading is measured from when the can was filled, at most at room warmth", () => {
    expect(doubtOf(at(3, 78), null, "can-half-pound", START, false)).toBe("too-fast");
    expect(doubtOf(at(40, 78), null, "can-half-pound", START, false)).toBeNull();
    expect(doubtOf(at(3, 78), null, "can-half-pound", null, false)).toBeNull();
  });
  test("a can packed hot may read hot at once; but not just like its juice", () => {
    expect(doubtOf(at(1, 79), null, "can-half-pound", START, true)).toBeNull();
    expect(doubtOf(at(1, 79, { juiceC: 79.3 }), null, "can-half-pound", START, true)).toBe("as-the-juice");
    expect(doubtOf(at(1, 79, { juiceC: 86 }), null, "can-half-pound", START, true)).toBeNull();
  });
  test("somebody who looked and said so is believed", () =>
    expect(doubtOf(at(3, 78, { confirmed: true }), null, "can-half-pound", START, false)).toBeNull());
});

// 170 °F at the centre, each can (handbook; common practice, no source).
describe("where a can stands", () => {
  const hot = at(40, EXHAUST_TEMP_C);
  const stage = (over: Partial<CanHistory>, minute: number) => canAt(can(over), START + minute * MIN).stage;
  test("no reading, warming, hot, cooled again", () => {
    expect(stage({}, 1)).toBe("no-reading");
    expect(stage({ readings: [at(20, 55)] }, 21)).toBe("warming");
    expect(stage({ readings: [at(20, 55), at(40, EXHAUST_TEMP_C - 0.1)] }, 41)).toBe("warming");
    expect(stage({ readings: [at(20, 55), hot] }, 50)).toBe("hot");
    expect(stage({ readings: [at(20, 55), hot] }, 50.1)).toBe("cooled");
    expect(stage({ readings: [at(2, 78)] }, 3)).toBe("questioned");
  });
  test("a seam counts until the can is warmed again; a bad one until something is done", () => {
    const closed = { at: START + 44 * MIN, verdict: "accept" as const };
    expect(stage({ readings: [hot], seam: closed }, 60)).toBe("closed");
    expect(stage({ readings: [hot], seam: closed }, 105)).toBe("closed-cooled");
    expect(stage({ readings: [hot, at(50, 70)], seam: closed }, 51)).toBe("warming");
    expect(stage({ readings: [hot], seam: { ...closed, verdict: "redo" } }, 60)).toBe("bad-seam");
  });
  test("only a hot and closed can, or one that was signed for, is fit for the canner", () => {
    expect(
      (
        [
          "no-reading",
          "warming",
          "questioned",
          "hot",
          "cooled",
          "closed",
          "closed-cooled",
          "bad-seam",
          "signed",
        ] as const
      ).filter(isFitStage),
    ).toEqual(["closed", "closed-cooled", "signed"]);
    expect(stage({ signed: true }, 1)).toBe("signed");
  });
  test("whatever the readings, a can that never read 170 °F is never fit", () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: EXHAUST_TEMP_C - 0.01, noNaN: true }), { maxLength: 8 }),
        fc.nat(300),
        (temps, minute) => {
          const readings = temps.map((t, i) => at(i * 10, t));
          expect(isFitStage(canAt(can({ readings }), START + minute * MIN).stage)).toBe(false);
        },
      ),
    ));
});
