import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { profileOf } from "../pack/index.ts";
import { shapeOf } from "../schedule/index.ts";
import {
  CENTRE_LAG,
  COARSE,
  FINE,
  centreAfterStep,
  foodHeat,
  heatingRateS,
  lethalRate,
  lethality,
  heatContainer,
  type HeatedCylinder,
} from "./index.ts";

const MEAT = 1.45e-7;
const inside = (key: "jar-pint" | "jar-quart" | "can-half-pound" | "can-one-pound"): HeatedCylinder => {
  const { steps, depthMm } = profileOf(shapeOf(key));
  return { radiusM: steps.at(-1)!.radiusMm / 1000, halfHeightM: depthMm / 2000, diffusivity: MEAT, skinM: 0 };
};
const steady = (tempC: number, minutes: number, stepS: number) =>
  new Float64Array((minutes * 60) / stepS + 1).fill(tempC);

describe("finite volumes against the exact series", () => {
  // Carslaw & Jaeger's series as in cylinder.ts, the other implementation of the same thing.
  test.each([
    ["half-pound can", inside("can-half-pound"), 0],
    ["one-pound can", inside("can-one-pound"), 0],
    ["pint, glass in the way", inside("jar-pint"), 0.5 / 330],
    ["quart, glass in the way", inside("jar-quart"), 0.5 / 330],
    ["pint, skin at the steam", inside("jar-pint"), 0],
  ] as const)("%s within 0.1 °C all the time", (_, body, skinM) => {
    const b = { ...body, skinM };
    const exact = centreAfterStep(b);
    const { centreC } = heatContainer(b, steady(115, 150, FINE.stepS), 25);
    let worst = 0;
    for (let i = 1; i < centreC.length; i++)
      worst = Math.max(worst, Math.abs(centreC[i]! - (115 - 90 * exact(i * FINE.stepS))));
    expect(worst).toBeLessThan(0.1);
  });

  test("a coarse mesh is within a degree", () => {
    const b = inside("jar-pint");
    const exact = centreAfterStep(b);
    const { centreC } = heatContainer(b, steady(115, 150, COARSE.stepS), 25, COARSE);
    for (let i = 1; i < centreC.length; i++)
      expect(Math.abs(centreC[i]! - (115 - 90 * exact(i * COARSE.stepS)))).toBeLessThan(1);
  });
});

describe("heating rate and lag", () => {
  // Olson & Jackson 1942 and Ball & Olson 1957, both from memory.
  test.each(["jar-pint", "jar-quart", "can-half-pound", "can-one-pound"] as const)(
    "%s: slope and lag of the computed curve within 1 %% of the formula",
    (key) => {
      const b = inside(key);
      const f = heatingRateS(b.radiusM, b.halfHeightM, MEAT);
      const mesh = { outward: 32, upward: 32, stepS: 5 };
      const minutes = Math.ceil((f * 4.2) / 60);
      const { centreC } = heatContainer(b, steady(115, minutes, mesh.stepS), 25, mesh);
      const left = (s: number) => Math.log10(115 - centreC[Math.round(s / mesh.stepS)]!);
      const [s1, s2] = [f * 3, f * 4].map((s) => Math.round(s / 5) * 5) as [number, number];
      const slope = (s2 - s1) / (left(s1) - left(s2));
      expect(Math.abs(slope / f - 1)).toBeLessThan(0.01);
      const lag = 10 ** (left(s1) + s1 / slope) / 90;
      expect(Math.abs(lag / CENTRE_LAG - 1)).toBeLessThan(0.01);
    },
  );
  // By hand: a = 0.04 m, b = 0.06 m: 1/a² = 625, 0.427/b² = 118.6; 0.398 / (1.45e-7 · 743.6) = 3,691 s.
  test("a cylinder of 8 by 12 cm: 3,691 s to a tenth", () =>
    expect(heatingRateS(0.04, 0.06, MEAT)).toBeCloseTo(3691, 0));
});

describe("what a canner's temperature does to the middle", () => {
  const anyTemps = fc.array(fc.double({ min: 20, max: 125, noNaN: true }), { minLength: 2, maxLength: 60 });
  test("the middle never leaves the span of the start and the canner", () =>
    fc.assert(
      fc.property(anyTemps, fc.double({ min: 0, max: 100, noNaN: true }), (temps, start) => {
        const long = temps.flatMap((t) => Array<number>(4).fill(t));
        const { centreC } = heatContainer(inside("jar-pint"), long, start);
        const slack = 0.02 * (Math.max(...temps, start) - Math.min(...temps, start)) + 1e-9;
        for (const t of centreC) {
          expect(t).toBeGreaterThanOrEqual(Math.min(...temps, start) - slack);
          expect(t).toBeLessThanOrEqual(Math.max(...temps, start) + slack);
        }
      }),
      { numRuns: 60 },
    ));
  test("a warmer canner never leaves the middle colder", () =>
    fc.assert(
      fc.property(anyTemps, fc.double({ min: 0.1, max: 10, noNaN: true }), (temps, more) => {
        const b = inside("can-one-pound");
        const one = heatContainer(b, temps, 20).centreC.at(-1)!;
        expect(
          heatContainer(
            b,
            temps.map((t) => t + more),
            20,
          ).centreC.at(-1)!,
        ).toBeGreaterThanOrEqual(one - 1e-9);
      }),
      { numRuns: 60 },
    ));
  test("the drawn section is that of the same run: its middle is the centre's neighbour", () => {
    const { centreC, fields } = heatContainer(inside("jar-pint"), steady(115, 60, FINE.stepS), 25, FINE, 600);
    expect(fields.map((f) => f.atS)).toEqual([0, 600, 1200, 1800, 2400, 3000, 3600]);
    expect(fields.at(-1)!.tempC[0]).toBeGreaterThan(centreC.at(-1)!);
    expect(fields.at(-1)!.tempC[0]! - centreC.at(-1)!).toBeLessThan(0.5);
  });
});

describe("lethality", () => {
  test("a minute at 121.11 °C is one", () => {
    expect(lethality([121.11, 121.11], 60)).toBeCloseTo(1, 12);
    expect(lethality(new Float64Array(601).fill(121.11), 0.1)).toBeCloseTo(1, 9);
  });
  test("ten degrees less is a tenth", () => expect(lethalRate(111.11)).toBeCloseTo(0.1, 12));
  /**
   * General method by hand, z = 10 °C, a reading every 5 minutes. Rates 10^((T − 121.11)/10) to five places, from a table
   * of logarithms: 100 → 0.00774, 105 → 0.02449, 110 → 0.07745, 113 → 0.15453, 115 → 0.24491, 116 → 0.30832,
   * 112 → 0.12274, 100 → 0.00774. Trapezoids: 5 · (sum − half of the two ends) = 5 · (0.94792 − 0.00774) = 4.7009.
   */
  test("a table worked by hand", () => {
    const temps = [100, 105, 110, 113, 115, 116, 112, 100];
    const rates = [0.00774, 0.02449, 0.07745, 0.15453, 0.24491, 0.30832, 0.12274, 0.00774];
    temps.forEach((t, i) => expect(lethalRate(t)).toBeCloseTo(rates[i]!, 4));
    expect(lethality(temps, 300)).toBeCloseTo(4.7009, 3);
  });
  test("what is cut in two adds up", () => {
    const temps = Array.from({ length: 61 }, (_, i) => 100 + i / 4);
    expect(lethality(temps.slice(0, 31), 30) + lethality(temps.slice(30), 30)).toBeCloseTo(
      lethality(temps, 30),
      12,
    );
  });
});

describe("what food is made of", () => {
  // Choi & Okos' water by itself at 20 °C against tabled water: 0.598 W/(m·K), 998.2 kg/m³, 4.18 kJ/(kg·K) (from memory).
  test("water is water", () => {
    const w = foodHeat({ water: 100, protein: 0, fat: 0, ash: 0 }, 20);
    expect(w.conductivity).toBeCloseTo(0.6, 1);
    expect(Math.abs(w.density / 998.2 - 1)).toBeLessThan(0.005);
    expect(Math.abs(w.specificHeat / 4182 - 1)).toBeLessThan(0.005);
  });
  // Lean beef near 1.3e-7 m²/s at room temperature (Singh & Heldman's table, from memory).
  test("lean meat lies where tables have it, fat slows it", () => {
    const lean = foodHeat({ water: 73.6, protein: 23, fat: 2.4, ash: 1.1 }, 20);
    expect(lean.diffusivity).toBeGreaterThan(1.2e-7);
    expect(lean.diffusivity).toBeLessThan(1.45e-7);
    const fat = foodHeat({ water: 55, protein: 18, fat: 26, ash: 1 }, 20);
    expect(fat.diffusivity).toBeLessThan(lean.diffusivity);
  });
  test("nonsense is refused", () => {
    expect(() => foodHeat({ water: 0, protein: 0, fat: 0, ash: 0 }, 20)).toThrow(RangeError);
    expect(() => foodHeat({ water: 70, protein: 20, fat: 5, ash: 1 }, 300)).toThrow(RangeError);
    expect(() => foodHeat({ water: NaN, protein: 20, fat: 5, ash: 1 }, 20)).toThrow(RangeError);
  });
});
