import { normalFrom } from "../random/index.ts";
import { COARSE, FINE, heatContainer, type Mesh } from "./conduct.ts";
import type { HeatedCylinder } from "./cylinder.ts";
import { resampleHistory, type Knot } from "./history.ts";
import { lethality } from "./lethality.ts";

/** A container as heat finds it. */
export interface Heated {
  body: HeatedCylinder;
  /** contents when the burner was lit, °C */
  startC: number;
}

/**
 * Returns F₀ at the center of a container in a canner with this temperature history, minutes at 121.11 °C, ≥ 0. For
 * comparing one run with another, never a schedule.
 *
 * Source: Bigelow's general method (see `lethality`) over the heating of `heatContainer`.
 * @param knots in order of instants
 * @param mesh cells and step, s
 */
export function centreLethality({ body, startC }: Heated, knots: readonly Knot[], mesh: Mesh = FINE): number {
  return lethality(heatContainer(body, resampleHistory(knots, mesh.stepS), startC, mesh).centreC, mesh.stepS);
}

/** What is not known about a container and its canner, as spreads. All assumed, from memory; no source. */
export const SPREADS = {
  /** of diffusivity and of what the glass resists, as a factor: 1 s.d. */
  diffusivity: 0.15,
  skin: 0.3,
  /** of height filled, as a factor */
  fill: 0.04,
  /** of the start, °C */
  startC: 5,
  /** of the canner's temperature as read off its gauge, °C (about a quarter of a pound) */
  cannerC: 0.35,
};

export interface Comparison {
  heated: Heated;
  /** the run as recorded */
  run: readonly Knot[];
  /** the same schedule carried out perfectly */
  perfect: readonly Knot[];
}

/**
 * Returns one ratio, ≥ 0, for each draw of what is not known: the lethality a run delivered at the center over that of
 * its schedule carried out perfectly. A draw depends on its number and the seed alone, so that draws can be shared
 * among workers.
 *
 * Spreads are assumed, from memory, no source.
 * @param from number of the first draw, whole, ≥ 0
 * @param to number after the last draw
 * @param seed whole
 */
export function drawDelivered(c: Comparison, from: number, to: number, seed = 1): Float64Array {
  const run = resampleHistory(c.run, COARSE.stepS);
  const perfect = resampleHistory(c.perfect, COARSE.stepS);
  const ratios = new Float64Array(to - from);
  for (let i = from; i < to; i++) {
    const normal = normalFrom(seed * 1_000_003 + i * 7919);
    const { body, startC } = c.heated;
    const drawn: HeatedCylinder = {
      radiusM: body.radiusM,
      halfHeightM: body.halfHeightM * Math.max(0.5, 1 + SPREADS.fill * normal()),
      diffusivity: body.diffusivity * Math.exp(SPREADS.diffusivity * normal()),
      skinM: body.skinM * Math.exp(SPREADS.skin * normal()),
    };
    const start = startC + SPREADS.startC * normal();
    const off = SPREADS.cannerC * normal();
    const of = (temps: Float64Array, shift: number) =>
      lethality(
        heatContainer(drawn, shift === 0 ? temps : temps.map((t) => t + shift), start, COARSE).centreC,
        COARSE.stepS,
      );
    ratios[i - from] = of(run, off) / of(perfect, 0);
  }
  return ratios;
}

/** The middle nine tenths of some draws, and their middle. */
export interface Band {
  low: number;
  middle: number;
  high: number;
  draws: number;
}

/** Returns the median and the 90 % interval of some draws, in their unit; NaN when there are none. */
export function intervalOf(draws: ArrayLike<number>): Band {
  const sorted = Float64Array.from(draws).sort();
  const at = (q: number) => sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? NaN;
  return { low: at(0.05), middle: at(0.5), high: at(0.95), draws: sorted.length };
}
