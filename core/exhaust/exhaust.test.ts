import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { EXHAUST_TEMP_C } from "../schedule/index.ts";
import { canAt, doubtOf, fastestRise, isFitStage, whyNotRead, type CanHistory } from "./index.ts";

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

describe("a reading that cannot be", () => {
  const why = (reading: { at: number; tempC: number; juiceC?: number | null }) =>
    whyNotRead(reading, START + 60 * MIN)?.of ?? null;
  test("of meat or juice no simmering water makes", () => {
    for (const tempC of [-19.9, 20, 101.9]) expect(why(at(30, tempC))).toBeNull();
    for (const tempC of [-20, 102, 1700, NaN]) {
      expect(why(at(30, tempC))).toBe("tempC");
      expect(why(at(30, 60, { juiceC: tempC }))).toBe("juiceC");
    }
    expect(why(at(30, 60, { juiceC: null }))).toBeNull();
    const says = (tempC: number) => whyNotRead(at(1, tempC), START + MIN)?.message;
    expect(says(170)).toMatch(/boiling\. Is this °F\? Read/);
    expect(says(102)).toMatch(/Is this °F/);
    expect(says(-40)).toMatch(/boiling\. Read/);
  });
  test("of a time to come, by more than clocks differ", () => {
    for (const minute of [-500, 0, 60, 61]) expect(why(at(minute, 60))).toBeNull();
    expect(why(at(61.1, 60))).toBe("at");
    expect(whyNotRead(at(2, 60), START)?.message).toMatch(/in the future/);
  });
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
  test("just like the juice is closer than 0.6 °C, hot or raw, above or below", () => {
    const beside = (juiceC: number) => doubtOf(at(1, 79, { juiceC }), null, "can-half-pound", START, true);
    expect([beside(79.5), beside(78.5), beside(79), beside(79.625), beside(78.375)]).toEqual([
      "as-the-juice",
      "as-the-juice",
      "as-the-juice",
      null,
      null,
    ]);
    expect(doubtOf(at(1, 1.2, { juiceC: 0.6 }), null, "can-half-pound", START, true)).toBeNull();
    expect(doubtOf(at(1, 0.2), null, "can-half-pound", START, true), "nobody read the juice").toBeNull();
    expect(doubtOf(at(40, 79, { juiceC: null }), null, "can-half-pound", START, false)).toBeNull();
  });
  test("three degrees are the probe's own, and a reading from before the one before counts as at once", () => {
    const from = at(10, 20);
    const rises = (minute: number, by: number) =>
      doubtOf(at(minute, 20 + by), from, "can-half-pound", null, false);
    expect(rises(10, 3)).toBeNull();
    expect(rises(10, 3.1)).toBe("too-fast");
    expect(rises(5, 3)).toBeNull();
    expect(rises(5, 3.1)).toBe("too-fast");
    const most = 3 + fastestRise("can-half-pound", 20) * 4;
    expect(rises(14, most - 0.01)).toBeNull();
    expect(rises(14, most + 0.01)).toBe("too-fast");
  });
  test("the reading before counts more than when it was filled", () =>
    expect(doubtOf(at(40, 78), at(39, 40), "can-half-pound", START, false)).toBe("too-fast"));
  test("somebody who looked and said so is believed", () =>
    expect(doubtOf(at(3, 78, { confirmed: true }), null, "can-half-pound", START, false)).toBeNull());
});

// 170 °F at the center, each can (common practice, no source).
describe("where a can stands", () => {
  const hot = at(40, EXHAUST_TEMP_C);
  const stage = (over: Partial<CanHistory>, minute: number) => canAt(can(over), START + minute * MIN).stage;
  test("no reading, warming, hot, cooled again", () => {
    expect(stage({}, 1)).toBe("no-reading");
    expect(stage({ readings: [at(20, 55)] }, 21)).toBe("warming");
    expect(stage({ readings: [at(20, 55), at(40, EXHAUST_TEMP_C - 0.1)] }, 41)).toBe("warming");
    expect(stage({ readings: [at(40, EXHAUST_TEMP_C - 1e-6)] }, 41)).toBe("hot");
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
  test("whatever the readings and its seam, a can that never read 170 °F is never fit", () =>
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: EXHAUST_TEMP_C - 0.01, noNaN: true }), { maxLength: 8 }),
        fc.option(fc.nat(300)),
        fc.nat(300),
        (temps, closedAt, minute) => {
          const readings = temps.map((t, i) => at(i * 10, t));
          const seam = closedAt === null ? null : { at: START + closedAt * MIN, verdict: "accept" as const };
          expect(isFitStage(canAt(can({ readings, seam }), START + minute * MIN).stage)).toBe(false);
        },
      ),
    ));
  test("a seam on a can whose last reading is in doubt makes it no fitter", () =>
    expect(stage({ readings: [at(2, 78)], seam: { at: START + 5 * MIN, verdict: "accept" } }, 6)).toBe(
      "questioned",
    ));
  test("only the last reading is asked about, from the one before it; what was said stands beside it", () => {
    const both = canAt(can({ readings: [at(20, 40), at(21, 60)] }), START + 22 * MIN);
    expect(both).toEqual({ stage: "questioned", tempC: 60, doubt: "too-fast", closeBy: null });
    // From when it was filled the same reading would be slow enough.
    expect(stage({ readings: [at(21, 60)] }, 22)).toBe("warming");
    const warm = canAt(can({ readings: [hot] }), START + 41 * MIN);
    expect(warm).toEqual({ stage: "hot", tempC: EXHAUST_TEMP_C, doubt: null, closeBy: START + 50 * MIN });
    expect(canAt(can(), START)).toEqual({ stage: "no-reading", tempC: null, doubt: null, closeBy: null });
    // A doubt that no longer matters is not told.
    expect(canAt(can({ readings: [at(2, 78)], signed: true }), START + 3 * MIN).doubt).toBeNull();
  });
  test("a seam of the very instant of a reading counts, an hour's wait is the limit, and the seam must be its own", () => {
    const closed = (minute: number) => ({ at: START + minute * MIN, verdict: "accept" as const });
    expect(stage({ readings: [hot], seam: closed(40) }, 41)).toBe("closed");
    expect(stage({ readings: [hot], seam: closed(44) }, 104)).toBe("closed");
    expect(stage({ readings: [hot], seam: closed(39) }, 41)).toBe("hot");
    expect(stage({ seam: { at: START, verdict: "redo" } }, 41)).toBe("bad-seam");
  });
});
