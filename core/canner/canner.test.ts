import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { kPaFromPsi } from "../quantity/index.ts";
import { atmosphericPressurePa, cannerSteam, saturatedWater } from "../steam/index.ts";
import {
  SOUND_GAUGE,
  newPot,
  newCook,
  gaugeAfter,
  outflow,
  advancePot,
  plausibleCanner,
  steamsSteadily,
  turnFlame,
  type CannerSpec,
  type Hands,
  type PotState,
} from "./index.ts";

const still = (flame: number, top: Hands["top"]): Hands => ({ flame, top, gust: 0 });
/** On until steam streams steadily from the open vent. */
function toSteam(spec: CannerSpec, flame = 1): PotState {
  let p = newPot(spec);
  while (!steamsSteadily(p) && p.s < 3600) p = advancePot(spec, p, still(flame, "vent-open"), 5);
  return p;
}
/** Holds a pressure by the flame for some minutes. */
function hold(spec: CannerSpec, from: PotState, goalKPa: number, minutes: number): PotState {
  let p = from;
  let cook = newCook(p.s);
  for (let s = 0; s < minutes * 60; s += 5) {
    cook = turnFlame(cook, p.s, p.gaugePa / 1000, goalKPa);
    p = advancePot(spec, p, still(cook.flame, "weight-on"), 5);
  }
  return p;
}

describe("water and steam in balance", () => {
  // Steam tables (Keenan & Keyes and every later one, from memory): °C, kPa, h' and h'' in kJ/kg, v'' in m³/kg.
  test.each([
    [60, 19.94, 251.1, 2609.6, 7.671],
    [100, 101.4, 419.1, 2676, 1.673],
    [120, 198.5, 503.7, 2706.3, 0.8919],
    [150, 475.8, 632.2, 2746.5, 0.3928],
  ])("%d °C as in the tables", (tempC, kPa, liquid, steam, volume) => {
    const w = saturatedWater(tempC);
    expect(Math.abs(w.pressurePa / 1000 / kPa - 1)).toBeLessThan(0.002);
    expect(Math.abs(w.liquidEnthalpy / 1000 / liquid - 1)).toBeLessThan(0.001);
    expect(Math.abs(w.vapourEnthalpy / 1000 / steam - 1)).toBeLessThan(0.001);
    expect(Math.abs(1 / w.vapourDensity / volume - 1)).toBeLessThan(0.002);
  });
  test("steam is lighter and richer than water, at any temperature", () =>
    fc.assert(
      fc.property(fc.double({ min: 1, max: 180, noNaN: true }), (t) => {
        const w = saturatedWater(t);
        expect(w.vapourDensity).toBeLessThan(w.liquidDensity);
        expect(w.vapourEnthalpy).toBeGreaterThan(w.liquidEnthalpy);
        expect(saturatedWater(t + 1).pressurePa).toBeGreaterThan(w.pressurePa);
      }),
    ));
  test("below freezing is refused", () => expect(() => saturatedWater(-1)).toThrow(RangeError));
});

describe("gas through a hole", () => {
  // By hand, choked: 200 kPa steam, 1.129 kg/m³, 10 mm²: 0.8·1e-5·0.667·√(2e5·1.129) = 2.54e-3 kg/s (γ 1.3: 0.667).
  test("choked flow of steam through 10 mm²", () =>
    expect(outflow(1e-5, 200_000, 90_000, 1.129)).toBeCloseTo(2.54e-3, 5));
  test("nothing flows uphill, or through nothing", () => {
    expect(outflow(1e-5, 90_000, 100_000, 0.6)).toBe(0);
    expect(outflow(0, 200_000, 100_000, 1)).toBe(0);
  });
});

describe("the books balance", () => {
  const anyHands = fc.record({
    flame: fc.double({ min: 0, max: 1, noNaN: true }),
    top: fc.constantFrom<Hands["top"]>("vent-open", "weight-on"),
    gust: fc.double({ min: 0, max: 0.9, noNaN: true }),
    minutes: fc.integer({ min: 1, max: 12 }),
  });
  test("mass and energy close within 0.1 % whatever is done to it", () =>
    fc.assert(
      fc.property(
        fc.array(anyHands, { minLength: 1, maxLength: 8 }),
        fc.constantFrom(null, 10, 15),
        (deeds, weight) => {
          const spec = plausibleCanner(16, 9, 700, weight);
          const start = newPot(spec);
          let p = start;
          for (const d of deeds) {
            // A petcock canner under full flame has no end to its pressure: nobody leaves it there.
            const flame = weight === null && d.top === "weight-on" ? Math.min(d.flame, 0.3) : d.flame;
            p = advancePot(spec, p, { ...d, flame }, d.minutes * 60);
          }
          const { books: b } = p;
          const water = start.waterKg - b.waterOutKg;
          const air = start.airKg + b.airInKg - b.airOutKg;
          expect(Math.abs(p.waterKg - water)).toBeLessThan(1e-3 * start.waterKg);
          expect(Math.abs(p.airKg - air)).toBeLessThan(1e-3 * start.airKg);
          // What is inside, worked out anew from its temperature, against what came and went.
          const w = saturatedWater(p.tempC);
          const gasM3 = spec.roomM3 - p.liquidKg / w.liquidDensity;
          const inside =
            p.liquidKg * w.liquidEnergy +
            w.vapourDensity * gasM3 * w.vapourEnergy +
            p.airKg * 718 * p.tempC +
            spec.metalJK * p.tempC;
          const booked = start.energyJ + b.burnerJ - b.lossJ - b.jarsJ - b.carriedJ;
          expect(Math.abs(inside / booked - 1)).toBeLessThan(1e-3);
          expect(Math.abs((p.jarsC - start.jarsC) * spec.jarsJK - b.jarsJ)).toBeLessThan(
            1e-3 * Math.max(1000, Math.abs(b.jarsJ)),
          );
        },
      ),
      { numRuns: 25 },
    ));
  test("a jar is never hotter than the steam was, and the burner pays for everything", () => {
    const spec = plausibleCanner(16, 9, 0, 10);
    const p = advancePot(spec, toSteam(spec), still(0.6, "weight-on"), 3600);
    expect(p.jarsC).toBeLessThan(p.tempC);
    expect(p.books.burnerJ).toBeGreaterThan(p.books.carriedJ + p.books.jarsJ + p.books.lossJ - 1);
  });
});

describe("pressure", () => {
  test.each([
    [10, true],
    [15, true],
    [10, false],
  ] as const)("settles at a %d lb weight (rocks: %s)", (psi, rocks) => {
    const spec = { ...plausibleCanner(16, 9, 700, psi), rocks };
    let p = advancePot(spec, toSteam(spec), still(1, "vent-open"), 600);
    p = advancePot(spec, p, still(0.6, "weight-on"), 1500);
    const set = kPaFromPsi(psi);
    for (let i = 0; i < 60; i++) {
      p = advancePot(spec, p, still(0.6, "weight-on"), 5);
      expect(Math.abs(p.gaugePa / 1000 - set)).toBeLessThan(3);
    }
    // Its steam is what the table of steam says of that pressure: the air is gone.
    expect(Math.abs(p.tempC - cannerSteam(700, p.gaugePa / 1000).tempC)).toBeLessThan(0.1);
    if (rocks) expect(p.jiggles).toBeGreaterThan(5);
  });
  test("falls when the flame is turned down, and a gust is enough", () => {
    const spec = plausibleCanner(16, 9, 700);
    const held = hold(spec, advancePot(spec, toSteam(spec), still(1, "vent-open"), 600), 86, 40);
    expect(Math.abs(held.gaugePa / 1000 - 86)).toBeLessThan(2);
    const flame = 0.25;
    const lower = advancePot(spec, held, still(flame / 3, "weight-on"), 300);
    expect(lower.gaugePa).toBeLessThan(held.gaugePa - 3000);
    const steady = advancePot(spec, held, still(flame, "weight-on"), 300);
    const gusty = advancePot(spec, held, { flame, top: "weight-on", gust: 0.7 }, 300);
    expect(gusty.gaugePa).toBeLessThan(steady.gaugePa - 3000);
  });
  test("more flame, never less pressure", () =>
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.8, noNaN: true }), (flame) => {
        const spec = plausibleCanner(16, 9, 700);
        const at = (f: number) => advancePot(spec, newPot(spec), still(f, "weight-on"), 900).gaugePa;
        expect(at(flame + 0.1)).toBeGreaterThan(at(flame));
      }),
      { numRuns: 15 },
    ));
  test("cools to zero by itself in the half hour a small canner takes, and is not forced", () => {
    const spec = plausibleCanner(16, 9, 700);
    let p = hold(spec, advancePot(spec, toSteam(spec), still(1, "vent-open"), 600), 86, 80);
    const off = p.s;
    while (p.gaugePa > 500) p = advancePot(spec, p, still(0, "weight-on"), 10);
    // Common practice, no source: 25 to 35 minutes for a small canner.
    expect((p.s - off) / 60).toBeGreaterThan(18);
    expect((p.s - off) / 60).toBeLessThan(40);
  });
});

describe("air", () => {
  test("ten minutes of steady steam at a normal flame clear more than 99 % of it", () => {
    for (const quarts of [16, 21]) {
      const spec = plausibleCanner(quarts, quarts === 16 ? 9 : 16, 700);
      const start = newPot(spec);
      const vented = advancePot(spec, toSteam(spec, 0.9), still(0.9, "vent-open"), 600);
      expect(vented.airKg / start.airKg).toBeLessThan(0.01);
      expect(vented.airFraction).toBeLessThan(0.01);
    }
  });
  test("shut in, it holds up the gauge while the steam is cooler, by just what Dalton says", () => {
    const spec = plausibleCanner(16, 9, 700);
    let p = newPot(spec);
    while (p.tempC < 85) p = advancePot(spec, p, still(1, "vent-open"), 5);
    const target = kPaFromPsi(12);
    p = hold(spec, p, target, 25);
    expect(Math.abs(p.gaugePa / 1000 - target)).toBeLessThan(2);
    const whole = cannerSteam(700, p.gaugePa / 1000);
    const withAir = cannerSteam(700, p.gaugePa / 1000, p.airFraction);
    expect(p.airFraction).toBeGreaterThan(0.1);
    expect(Math.abs(p.tempC - withAir.tempC)).toBeLessThan(0.1);
    expect(whole.tempC - p.tempC).toBeGreaterThan(3);
  });
  test("a pot just filled stands at the air's own pressure", () => {
    const spec = plausibleCanner(21, 16, 1200);
    const p = advancePot(spec, newPot(spec), still(0, "vent-open"), 1);
    expect(Math.abs(p.gaugePa) / atmosphericPressurePa(1200)).toBeLessThan(0.002);
  });
});

test("it boils dry in the end, and then nothing more is simulated", () => {
  const spec = { ...plausibleCanner(16, 9, 0), waterKg: 1 };
  let p = newPot(spec);
  for (let i = 0; i < 200 && !p.dry; i++) p = advancePot(spec, p, still(1, "vent-open"), 60);
  expect(p.dry).toBe(true);
  expect(p.liquidKg).toBeLessThan(0.06);
});

describe("a gauge", () => {
  test("follows with a lag, shows its error, and stops at its pin", () => {
    let shown = 0;
    for (let i = 0; i < 60; i++) shown = gaugeAfter({ errorKPa: 7, lagS: 4, noiseKPa: 0 }, shown, 80, 1, 0);
    expect(shown).toBeCloseTo(87, 3);
    expect(gaugeAfter(SOUND_GAUGE, 0, 80, 3, 0)).toBeCloseTo(80 * (1 - Math.exp(-1)), 6);
    expect(gaugeAfter(SOUND_GAUGE, 0, -20, 3, -1)).toBe(0);
  });
});
