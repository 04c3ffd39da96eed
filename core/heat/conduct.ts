import type { HeatedCylinder } from "./cylinder.ts";

/** How finely a half cylinder is cut: cells outward and from the middle up, and seconds a step. */
export interface Mesh {
  outward: number;
  upward: number;
  stepS: number;
}

/** Within 0.1 °C of the exact series for every jar and can. */
export const FINE: Mesh = { outward: 20, upward: 14, stepS: 15 };
/** For comparing many runs with each other: within a degree, the same for all. */
export const COARSE: Mesh = { outward: 8, upward: 8, stepS: 30 };

/**
 * One direction of the finite volumes: how fast each cell takes from its neighbours, 1/s, and the last from outside.
 * `down[i]` from cell i−1, `up[i]` from cell i+1; `outside` belongs to the last cell.
 */
export interface Line {
  down: Float64Array;
  up: Float64Array;
  outside: number;
}

function lineOf(cells: number, size: number, { diffusivity, skinM }: HeatedCylinder, round: boolean): Line {
  const d = size / cells;
  const down = new Float64Array(cells);
  const up = new Float64Array(cells);
  // A ring's wall is as long as its radius, its area as its middle radius; a slab's are all alike.
  const wall = (face: number) => (round ? face * d : 1);
  const area = (i: number) => (round ? (i + 0.5) * d : 1) * d;
  for (let i = 0; i < cells; i++) {
    if (i > 0) down[i] = (diffusivity * wall(i)) / d / area(i);
    if (i < cells - 1) up[i] = (diffusivity * wall(i + 1)) / d / area(i);
  }
  return { down, up, outside: (diffusivity * wall(cells)) / (d / 2 + skinM) / area(cells - 1) };
}

/**
 * Returns the finite volumes of half a cylinder, SI units: cell sizes, volumes and conductances between cells, for the
 * stepping here and for any other solver.
 *
 * @param body radius and half height, m; diffusivity, m²/s
 * @param mesh cells outward and upward, whole, ≥ 2
 */
export function volumesOf(body: HeatedCylinder, mesh: Pick<Mesh, "outward" | "upward">) {
  return {
    out: lineOf(mesh.outward, body.radiusM, body, true),
    rise: lineOf(mesh.upward, body.halfHeightM, body, false),
  };
}

/** (I − step/2 · L) of one direction, taken apart once so that every line of cells is solved by one sweep each way. */
function sweeper(line: Line, halfStep: number) {
  const n = line.down.length;
  const lower = new Float64Array(n);
  const factor = new Float64Array(n);
  const pivot = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const out = i === n - 1 ? line.outside : 0;
    const middle = 1 + halfStep * (line.down[i]! + line.up[i]! + out);
    lower[i] = -halfStep * line.down[i]!;
    pivot[i] = 1 / (middle - (i > 0 ? lower[i]! * factor[i - 1]! : 0));
    factor[i] = -halfStep * line.up[i]! * pivot[i]!;
  }
  return { lower, factor, pivot };
}

/** What the middle of a container went through. */
export interface Warmed {
  /** at the end of every step, the start first, °C */
  centreC: Float64Array;
  stepS: number;
  /** the whole half section now and then, for drawing: `outward × upward` cells, row by row from the middle up */
  fields: { atS: number; tempC: Float32Array }[];
}

/**
 * Returns the temperature at the center of a container, °C at every step, while the canner's temperature changes.
 *
 * Source: finite volumes stepped by alternating directions, Peaceman & Rachford 1955: second order in time, always
 * stable.
 * @param cannerC temperature of the canner at even steps of `mesh.stepS`, °C; one more value than steps
 * @param startC contents at the start, °C
 * @param mesh cells and step; the fine one unless speed matters
 * @param drawEveryS keep the whole section this often, s; 0 for never
 */
export function heatContainer(
  body: HeatedCylinder,
  cannerC: ArrayLike<number>,
  startC: number,
  mesh: Mesh = FINE,
  drawEveryS = 0,
): Warmed {
  const { outward: nr, upward: nz, stepS } = mesh;
  const { out, rise } = volumesOf(body, mesh);
  const half = stepS / 2;
  const byR = sweeper(out, half);
  const byZ = sweeper(rise, half);
  let t = new Float64Array(nr * nz).fill(startC);
  let next = new Float64Array(nr * nz);
  const steps = Math.max(0, cannerC.length - 1);
  const centreC = new Float64Array(steps + 1);
  centreC[0] = startC;
  const fields: Warmed["fields"] = [];
  const keep = (atS: number) => fields.push({ atS, tempC: Float32Array.from(t) });
  if (drawEveryS > 0) keep(0);
  for (let s = 0; s < steps; s++) {
    const around = (cannerC[s]! + cannerC[s + 1]!) / 2;
    // First outward, with what comes from above and below as it is.
    for (let z = 0; z < nz; z++) {
      const row = z * nr;
      const a = z > 0 ? rise.down[z]! : 0;
      const b = z < nz - 1 ? rise.up[z]! : 0;
      const top = z === nz - 1 ? rise.outside : 0;
      let before = 0;
      for (let r = 0; r < nr; r++) {
        const i = row + r;
        const own = t[i]!;
        let gain = top * (around - own);
        if (a) gain += a * (t[i - nr]! - own);
        if (b) gain += b * (t[i + nr]! - own);
        if (r === nr - 1) gain += out.outside * around;
        before = (own + half * gain - byR.lower[r]! * before) * byR.pivot[r]!;
        next[i] = before;
      }
      for (let r = nr - 2; r >= 0; r--) next[row + r]! -= byR.factor[r]! * next[row + r + 1]!;
    }
    [t, next] = [next, t];
    // Then upward, a column at a time.
    for (let r = 0; r < nr; r++) {
      const a = out.down[r]!;
      const b = out.up[r]!;
      const edge = r === nr - 1 ? out.outside : 0;
      let before = 0;
      for (let z = 0; z < nz; z++) {
        const i = z * nr + r;
        const own = t[i]!;
        let gain = edge * (around - own);
        if (a) gain += a * (t[i - 1]! - own);
        if (b) gain += b * (t[i + 1]! - own);
        if (z === nz - 1) gain += rise.outside * around;
        before = (own + half * gain - byZ.lower[z]! * before) * byZ.pivot[z]!;
        next[i] = before;
      }
      for (let z = nz - 2; z >= 0; z--) next[z * nr + r]! -= byZ.factor[z]! * next[(z + 1) * nr + r]!;
    }
    [t, next] = [next, t];
    centreC[s + 1] = centreOf(t, nr);
    if (drawEveryS > 0 && ((s + 1) * stepS) % drawEveryS < stepS) keep((s + 1) * stepS);
  }
  return { centreC, stepS, fields };
}

/**
 * Returns the temperature on the axis, °C, from the first two cells of the lowest row, whose middles lie beside it, by
 * the parabola through both.
 *
 * @param t temperatures of the cells, °C
 * @param outward cells in a row, ≥ 2
 */
export function centreOf(t: ArrayLike<number>, outward: number): number {
  const low = (9 * t[0]! - t[1]!) / 8;
  const high = (9 * t[outward]! - t[outward + 1]!) / 8;
  return (9 * low - high) / 8;
}
