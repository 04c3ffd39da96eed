import { describe, expect, test } from "vitest";
import { carcassTempC, readingsOf, timeConstantHours } from "./probe";

describe("the simulated probe", () => {
  const boar = { massKg: 40, startC: 38, aroundC: 2 };
  // Common practice, no source: a deer-sized carcass in a cold room is cold within a day; a hare in hours.
  test("a 40 kg carcass is under 4 °C after a day or so in a cold room, a 2 kg one the same evening", () => {
    expect(carcassTempC(boar, 30)).toBeLessThan(5);
    expect(carcassTempC(boar, 3)).toBeGreaterThan(15);
    expect(carcassTempC({ ...boar, massKg: 2 }, 12)).toBeLessThan(4);
    expect(timeConstantHours(40)).toBeGreaterThan(timeConstantHours(2));
  });
  test("it begins warm, ends near what surrounds it, and never goes below that by more than the room's swing", () => {
    expect(carcassTempC(boar, 0)).toBeCloseTo(38, 6);
    for (let h = 0; h < 100; h++) {
      expect(carcassTempC(boar, h)).toBeGreaterThanOrEqual(2 - 0.31);
      expect(carcassTempC(boar, h)).toBeLessThanOrEqual(38.31);
    }
  });
  test("a night of 18 hours at every 15 minutes is 73 readings, each with a key of its own, ending now", () => {
    const night = readingsOf(boar, Date.UTC(2026, 10, 20, 8), 18, 15, "P");
    expect(night).toHaveLength(73);
    expect(new Set(night.map((r) => r.id)).size).toBe(73);
    expect(night[0]!.at).toBe("2026-11-19T14:00:00.000Z");
    expect(night.at(-1)!.at).toBe("2026-11-20T08:00:00.000Z");
  });
});
