import { volumesOf, type Mesh } from "./conduct.ts";
import type { HeatedCylinder } from "./cylinder.ts";

/**
 * Returns the finite volumes as a system of ordinary differential equations, dT/dt in °C/s of every cell, for any
 * solver. An oracle for tests of `heatContainer`.
 *
 * @param body radius and half height, m; diffusivity, m²/s
 * @param mesh cells outward and upward, whole, ≥ 2
 * @param aroundC temperature of the canner, °C, as a function of seconds
 */
export function asEquations(
  body: HeatedCylinder,
  mesh: Pick<Mesh, "outward" | "upward">,
  aroundC: (s: number) => number,
): (s: number, t: readonly number[]) => number[] {
  const { outward: nr, upward: nz } = mesh;
  const { out, rise } = volumesOf(body, mesh);
  return (s, t) => {
    const around = aroundC(s);
    return t.map((own, i) => {
      const [z, r] = [Math.floor(i / nr), i % nr];
      let gain = 0;
      if (r > 0) gain += out.down[r]! * (t[i - 1]! - own);
      if (r < nr - 1) gain += out.up[r]! * (t[i + 1]! - own);
      else gain += out.outside * (around - own);
      if (z > 0) gain += rise.down[z]! * (t[i - nr]! - own);
      if (z < nz - 1) gain += rise.up[z]! * (t[i + nr]! - own);
      else gain += rise.outside * (around - own);
      return gain;
    });
  };
}
