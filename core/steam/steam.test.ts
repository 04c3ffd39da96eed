import fc from "fast-check";
import psychrolib from "psychrolib";
import { beforeAll, describe, expect, test } from "vitest";
import { fFromC, kPaFromPsi, mFromFt } from "../quantity/index.ts";
import {
  altitudeOfBoiling,
  atmosphericPressurePa,
  cannerSteam,
  saturationPressureMPa,
  saturationTemperatureK,
} from "./index.ts";

const library = psychrolib as unknown as {
  SI: number;
  SetUnitSystem(unit: number): void;
  GetSatVapPres(tempC: number): number;
  GetStandardAtmPressure(altitudeM: number): number;
};
beforeAll(() => library.SetUnitSystem(library.SI));

// IAPWS R7-97(2012), tables 35 and 36: the verification values, to all nine digits printed.
describe("IAPWS-IF97 region 4", () => {
  test.each([
    [300, "3.53658941e-3"],
    [500, "2.63889776e+0"],
    [600, "1.23443146e+1"],
  ])("table 35: saturation pressure at %d K", (t, printed) => {
    expect(saturationPressureMPa(t).toExponential(8)).toBe(printed);
  });
  test.each([
    [0.1, "372.755919"],
    [1, "453.035632"],
    [10, "584.149488"],
  ])("table 36: saturation temperature at %d MPa", (p, printed) => {
    expect(saturationTemperatureK(p).toPrecision(9)).toBe(printed);
  });
  test("both directions agree over the range canners reach", () =>
    fc.assert(
      fc.property(fc.double({ min: 340, max: 420, noNaN: true }), (t) => {
        expect(saturationTemperatureK(saturationPressureMPa(t))).toBeCloseTo(t, 4);
      }),
    ));
});

// The ASHRAE formulation, computed independently by the npm library psychrolib.
test("saturation pressure within 0.1 % of psychrolib from 100 to 125 °C", () => {
  for (let c = 100; c <= 125; c += 0.25) {
    const theirs = library.GetSatVapPres(c) / 1e6;
    expect(Math.abs(saturationPressureMPa(c + 273.15) / theirs - 1), `${c} °C`).toBeLessThan(0.001);
  }
});

describe("the atmosphere", () => {
  // U.S. Standard Atmosphere, 1976, table I (geopotential height): from memory, to the digits remembered.
  test.each([
    [0, 101325],
    [1000, 89874.6],
    [2000, 79495.2],
    [3000, 70108.5],
    [5000, 54019.9],
  ])("at %d m", (h, pa) => expect(Math.abs(atmosphericPressurePa(h) / pa - 1)).toBeLessThan(2e-4));
  test("agrees with psychrolib's standard atmosphere", () => {
    for (let h = -400; h <= 5000; h += 100) {
      expect(Math.abs(atmosphericPressurePa(h) / library.GetStandardAtmPressure(h) - 1)).toBeLessThan(1e-4);
    }
  });
  test("refuses heights where the formula does not hold, naming the range", () => {
    expect(() => atmosphericPressurePa(12000)).toThrow(/−5,000 and 11,000/);
    expect(() => atmosphericPressurePa(NaN)).toThrow(RangeError);
  });
});

describe("steam in a canner", () => {
  const f = (ft: number, psi: number, air = 0) =>
    fFromC(cannerSteam(mFromFt(ft), kPaFromPsi(psi), air).tempC);
  // Values worked out by hand, no source: the worst end of each altitude band, recomputed here from the two published models.
  test.each([
    [1000, 10, 238.2],
    [2000, 11, 239.3],
    [4000, 12, 239.3],
    [6000, 13, 239.5],
    [8000, 14, 239.8],
    [2500, 15, 247.2],
  ])("at %d ft and %d lb is %d °F", (ft, psi, expected) => expect(f(ft, psi)).toBeCloseTo(expected, 0));
  test("air left in holds up the gauge and cools the steam, as Dalton's law says", () => {
    const clear = cannerSteam(0, 75);
    const airy = cannerSteam(0, 75, 0.2);
    expect(airy.absoluteKPa).toBe(clear.absoluteKPa);
    expect(airy.steamKPa).toBeCloseTo(clear.absoluteKPa * 0.8, 10);
    expect(airy.tempC).toBeLessThan(clear.tempC - 5);
  });
  test("hotter with pressure, cooler with height, cooler with air", () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.double({ min: 0, max: 150, noNaN: true }),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        (h, p, air) => {
          const here = cannerSteam(h, p, air).tempC;
          expect(cannerSteam(h, p + 5, air).tempC).toBeGreaterThan(here);
          expect(cannerSteam(h + 100, p, air).tempC).toBeLessThan(here);
          expect(cannerSteam(h, p, air + 0.05).tempC).toBeLessThan(here);
        },
      ),
    ));
  test("an air fraction of 1 or a suction is refused", () => {
    expect(() => cannerSteam(0, 75, 1)).toThrow(RangeError);
    expect(() => cannerSteam(0, -1)).toThrow(RangeError);
  });
});

describe("what boiling tells of the height", () => {
  // Public tables of boiling points (from memory): 212 °F at sea level, 208 °F near 2,000 ft, 203 °F near 5,000 ft, each within a degree.
  test.each([
    [100, 0],
    [97.8, 2000],
    [94.9, 5000],
  ])("%d °C is about %d ft", (tempC, ft) =>
    expect(Math.abs(altitudeOfBoiling(tempC) - mFromFt(ft))).toBeLessThan(150),
  );
  test("is the other way round of a vented canner's steam", () =>
    fc.assert(
      fc.property(fc.double({ min: -200, max: 4500, noNaN: true }), (m) => {
        expect(altitudeOfBoiling(cannerSteam(m, 0).tempC)).toBeCloseTo(m, 2);
      }),
    ));
  test("no water boils at 60 °C", () => expect(() => altitudeOfBoiling(60)).toThrow(RangeError));
});
