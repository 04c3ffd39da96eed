import fc from "fast-check";
import { describe, expect, test } from "vitest";
import {
  COLD_LIMIT_C,
  bodyAtKill,
  firstIntervals,
  freezerAge,
  impossibleHours,
  plankSeconds,
  thawEstimate,
  warmTime,
  type ColdEntry,
} from "./index.ts";

const MIN = 60_000;
const HOUR = 60 * MIN;
const DAY = 24 * HOUR;
const at = (minute: number, tempC: number | null): ColdEntry => ({ at: minute * MIN, tempC, place: null });

describe("time above the limit", () => {
  // USDA FSIS: keep cold food at 40 °F or below. From memory.
  test("the limit is 40 °F", () => expect(COLD_LIMIT_C * 1.8 + 32).toBeCloseTo(40, 12));
  // By hand: from 38 °C to 2 °C in 360 minutes along a line; it crosses 4 °C after 34/36 of the way.
  test("a carcass that cools along a line from 38 to 2 °C in 6 hours was warm for 340 minutes", () => {
    const w = warmTime([at(0, 38), at(360, 2)], 360 * MIN, 4);
    expect(w.warmMinutes).toBeCloseTo(340, 9);
    expect(w.watchedMinutes).toBe(360);
    expect(w.unwatchedMinutes).toBe(0);
    expect(w.warmestC).toBe(38);
  });
  test("a day without a reading is unwatched, neither cold nor warm", () => {
    const w = warmTime([at(0, 3), at(30 * 60, 3)], 40 * HOUR, 4);
    expect(w).toEqual({ warmMinutes: 0, watchedMinutes: 0, unwatchedMinutes: 40 * 60, warmestC: 3 });
  });
  test("a place without a temperature says nothing about warmth; at the limit is cold", () => {
    expect(warmTime([at(0, null), at(10, 4), at(60, 4)], HOUR, 4)).toMatchObject({
      warmMinutes: 0,
      watchedMinutes: 50,
    });
    expect(warmTime([at(0, null)], HOUR).warmestC).toBeNull();
  });
  test("two readings at one instant are one, the warmer", () => {
    expect(warmTime([at(0, 2), at(0, 10), at(60, 10)], HOUR, 4).warmMinutes).toBe(60);
    // 0 to 10 °C in an hour is above 4 for 36 minutes, whichever of the two was written down first.
    for (const two of [
      [at(60, 2), at(60, 10)],
      [at(60, 10), at(60, 2)],
    ])
      expect(warmTime([at(0, 0), ...two], HOUR, 4).warmMinutes).toBeCloseTo(36, 9);
  });
  test("what was read after the account ends is not in it", () =>
    expect(warmTime([at(0, 3), at(60, 3), at(90, 20)], HOUR, 4)).toMatchObject({
      warmMinutes: 0,
      watchedMinutes: 60,
      warmestC: 3,
    }));
  test("twelve hours between two readings are watched, a minute more is not", () => {
    const watched = (minutes: number) => warmTime([at(0, 3), at(minutes, 3)], minutes * MIN).watchedMinutes;
    expect(watched(12 * 60)).toBe(12 * 60);
    expect(watched(12 * 60 + 1)).toBe(0);
  });
  test("from the very limit up or down to it, all between is warm; frozen is below zero", () => {
    expect(warmTime([at(0, 4), at(60, 10)], HOUR, 4).warmMinutes).toBe(60);
    expect(warmTime([at(0, 10), at(60, 4)], HOUR, 4).warmMinutes).toBe(60);
    expect(warmTime([at(0, -18), at(60, -20)], HOUR, 4).warmestC).toBe(-18);
  });

  const entries = fc.array(
    fc.record({
      minute: fc.integer({ min: 0, max: 3000 }),
      temp: fc.option(fc.double({ min: -20, max: 40, noNaN: true })),
    }),
    { maxLength: 30 },
  );
  test("order does not matter, and warm ≤ watched ≤ the whole", () =>
    fc.assert(
      fc.property(entries, fc.integer({ min: 0, max: 4000 }), (raw, until) => {
        const list = raw.map((r) => at(r.minute, r.temp));
        const w = warmTime(list, until * MIN);
        expect(warmTime([...list].reverse(), until * MIN)).toEqual(w);
        expect(w.warmMinutes).toBeLessThanOrEqual(w.watchedMinutes + 1e-9);
        expect(w.watchedMinutes + w.unwatchedMinutes).toBeLessThanOrEqual(until + 1e-9);
      }),
    ));
  test("a reading on the line between two others changes nothing", () =>
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 40, noNaN: true }),
        fc.double({ min: -5, max: 40, noNaN: true }),
        fc.integer({ min: 1, max: 599 }),
        (a, b, m) => {
          const bare = warmTime([at(0, a), at(600, b)], 600 * MIN, 4);
          const more = warmTime([at(0, a), at(m, a + ((b - a) * m) / 600), at(600, b)], 600 * MIN, 4);
          expect(more.warmMinutes).toBeCloseTo(bare.warmMinutes, 6);
        },
      ),
    ));
  test("warmer readings never make less warm time", () =>
    fc.assert(
      fc.property(entries, fc.double({ min: 0, max: 10, noNaN: true }), (raw, more) => {
        const list = raw.map((r) => at(r.minute, r.temp));
        const hot = list.map((e) => ({ ...e, tempC: e.tempC === null ? null : e.tempC + more }));
        expect(warmTime(hot, 3000 * MIN).warmMinutes).toBeGreaterThanOrEqual(
          warmTime(list, 3000 * MIN).warmMinutes - 1e-9,
        );
      }),
    ));
});

describe("the first hours", () => {
  const hours = (gutted: number | null, cooled: number | null) => ({
    killedAt: 0,
    guttedAt: gutted === null ? null : gutted * MIN,
    cooledAt: cooled === null ? null : cooled * MIN,
  });
  // USDA 2015, Guide 5: fish are gutted within 2 hours and iced. From memory.
  test("a fish gutted after 121 minutes is late, after 120 it is not", () => {
    expect(firstIntervals(hours(120, null), "fish")[0]).toMatchObject({ minutes: 120, late: false });
    expect(firstIntervals(hours(121, null), "fish")[0]).toMatchObject({ minutes: 121, late: true });
  });
  test("game is warm at the kill; of a fish, or of an hour nobody wrote down, nothing is known", () => {
    expect(bodyAtKill(60_000, "red-meat")).toEqual([{ at: 60_000, tempC: 38, place: null }]);
    expect(bodyAtKill(60_000, "fish")).toEqual([]);
    expect(bodyAtKill(null, "red-meat")).toEqual([]);
  });
  test("what nobody wrote down is not late", () => {
    for (const i of firstIntervals({ killedAt: null, guttedAt: 5, cooledAt: 9 }, "red-meat"))
      expect(i).toMatchObject({ minutes: null, late: false });
  });
  // Common practice, no source: a carcass is under 4 °C within a day.
  test("a carcass cold after 25 hours is late", () =>
    expect(firstIntervals(hours(20, 25 * 60), "red-meat").map((i) => i.late)).toEqual([false, true]));
  test("nothing is gutted or cold before it is killed, and nothing has happened tomorrow", () => {
    expect(impossibleHours({ killedAt: 10, guttedAt: 9, cooledAt: null }, 100)?.field).toBe("guttedAt");
    expect(impossibleHours({ killedAt: 10, guttedAt: null, cooledAt: 9 }, 100)?.field).toBe("cooledAt");
    expect(impossibleHours({ killedAt: 101, guttedAt: null, cooledAt: null }, 100)?.field).toBe("killedAt");
    expect(impossibleHours({ killedAt: 10, guttedAt: 12, cooledAt: 50 }, 100)).toBeNull();
  });
});

describe("freezing and thawing times", () => {
  // Singh & Heldman, Introduction to Food Engineering, worked example of Plank's equation (from memory): a sphere 7 cm across, 1000 kg/m³,
  // 250 kJ/kg, 1.2 W/(m·K), freezing at −1.25 °C in air at −40 °C with 50 W/(m²·K): 0.72 h.
  test("Plank’s equation gives 0.72 h for the textbook’s sphere", () =>
    expect(
      plankSeconds({
        density: 1000,
        latentHeat: 250e3,
        conductivity: 1.2,
        film: 50,
        sizeM: 0.07,
        freezingC: -1.25,
        aroundC: -40,
        shape: "sphere",
      }) / 3600,
    ).toBeCloseTo(0.72, 2));
  // Singh & Heldman, end-of-chapter shapes: P and R of slab, cylinder and sphere are in the ratio 6 : 3 : 2. From memory.
  test("a slab takes three times as long as a sphere of its thickness, a cylinder one and a half times", () => {
    const c = {
      density: 1050,
      latentHeat: 2.5e5,
      conductivity: 0.5,
      film: 20,
      sizeM: 0.05,
      freezingC: -1,
      aroundC: 5,
    };
    const slab = plankSeconds({ ...c, shape: "slab" });
    expect(slab / plankSeconds({ ...c, shape: "sphere" })).toBeCloseTo(3, 9);
    expect(slab / plankSeconds({ ...c, shape: "cylinder" })).toBeCloseTo(2, 9);
  });
  // USDA FSIS, The Big Thaw (from memory): fridge 24 hours for each 4 to 5 pounds; cold water a 1-lb package an hour or less,
  // 3 to 4 lb 2 to 3 hours, about 30 minutes a pound.
  test("by weight: 9 lb take two days in the fridge, 4 lb two hours in cold water", () => {
    const lb = 0.45359237;
    expect(thawEstimate("fridge", 9 * lb, 0.05).byWeightHours).toBeCloseTo(48, 9);
    expect(thawEstimate("fridge", 1 * lb, 0.03).byWeightHours).toBe(24);
    expect(thawEstimate("cold-water", 4 * lb, 0.05).byWeightHours).toBeCloseTo(2, 9);
  });
  test("by thickness a flat 2 cm bag is thawed overnight in the fridge, a 10 cm block takes days (common practice, no source)", () => {
    expect(thawEstimate("fridge", 1, 0.02).byThicknessHours).toBeLessThan(24);
    expect(thawEstimate("fridge", 1, 0.1).byThicknessHours).toBeGreaterThan(72);
  });
  test("what to plan by is the longer of the two, and running water is never slower than still, nor still than the fridge", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        fc.double({ min: 0.01, max: 0.15, noNaN: true }),
        (kg, thick) => {
          const [fridge, still, running] = (["fridge", "cold-water", "running-water"] as const).map((m) =>
            thawEstimate(m, kg, thick),
          );
          expect(fridge!.hours).toBe(Math.max(fridge!.byWeightHours, fridge!.byThicknessHours));
          expect(running!.hours).toBeLessThanOrEqual(still!.hours);
          expect(still!.hours).toBeLessThan(fridge!.hours);
          expect(thawEstimate("fridge", kg, thick * 1.1).byThicknessHours).toBeGreaterThan(
            fridge!.byThicknessHours,
          );
        },
      ),
    ));
  test("a bag without a weight or a thickness, and surroundings at the freezing point, are refused", () => {
    expect(() => thawEstimate("fridge", 0, 0.1)).toThrow(RangeError);
    expect(() => thawEstimate("fridge", 1, 0)).toThrow(RangeError);
  });
});

describe("age in the freezer", () => {
  test("is fresh, then soon a year, then over it", () => {
    const age = (days: number) => freezerAge(0, days * DAY).standing;
    expect([10, 319, 320, 364, 365, 900].map(age)).toEqual([
      "fresh",
      "fresh",
      "soon",
      "soon",
      "over",
      "over",
    ]);
    expect(freezerAge(0, 10 * DAY)).toMatchObject({ days: 10, yearAt: 365 * DAY });
  });
});
