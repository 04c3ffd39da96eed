import { describe, expect, test } from "vitest";
import { COARSE, asEquations, centreOf, heatContainer, type HeatedCylinder } from "#core/heat";
import { odexSolver } from "./odex.ts";

describe("against the solver odex, on the same finite volumes", () => {
  // odex 2.0.4, Hairer & Wanner's extrapolation method, at a tolerance of 1e-6.
  test("within a fiftieth of a degree over an hour and a half that warms and cools", () => {
    const body: HeatedCylinder = { radiusM: 0.038, halfHeightM: 0.05, diffusivity: 1.6e-7, skinM: 0.0016 };
    const around = (s: number) => (s < 600 ? 60 + s / 15 : s < 3600 ? 115 : 115 - (s - 3600) / 100);
    const mesh = { ...COARSE, stepS: 5 };
    const n = mesh.outward * mesh.upward;
    const solver = odexSolver(n, 1e-6, 1e-6);
    const f = asEquations(body, mesh, around);
    const temps = Float64Array.from({ length: 5400 / mesh.stepS + 1 }, (_, i) => around(i * mesh.stepS));
    const { centreC } = heatContainer(body, temps, 20, mesh);
    let y: number[] = Array<number>(n).fill(20);
    for (const [from, to] of [
      [0, 600],
      [600, 1800],
      [1800, 3600],
      [3600, 5400],
    ] as const) {
      y = solver.solve(f, from, y, to).y;
      expect(Math.abs(centreOf(y, mesh.outward) - centreC[to / mesh.stepS]!)).toBeLessThan(0.02);
    }
  });
});
