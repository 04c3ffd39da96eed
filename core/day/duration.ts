import { posterior, predict } from "../estimate/index.ts";
import { TIMES_AROUND, VENT_MINUTES } from "../schedule/index.ts";

/** The waits of a load that a household's own runs can teach, in the order they come. */
export const LEARNED = ["heatUp", "comeUp", "coolDown", "unload"] as const;
export type LearnedStage = (typeof LEARNED)[number];

/** How long a stage takes, minutes: what to plan by, with its interval. */
export interface StageTime {
  minutes: number;
  /** 90 % interval of the next time */
  low: number;
  high: number;
  /** runs of this household behind it; 0 is common practice alone */
  runs: number;
}

export type StageTimes = Record<LearnedStage, StageTime>;

interface Prior {
  mean: number;
  sd: number;
  scatter: number;
}

/** What stages take before this household has run one. Common practice, no source, where no table gives a range. */
function priors(small: boolean): Record<LearnedStage, Prior> {
  const cool = small ? TIMES_AROUND.coolSmall : TIMES_AROUND.coolLarge;
  return {
    heatUp: { mean: 15, sd: 6, scatter: 3 },
    comeUp: { mean: (TIMES_AROUND.comeUp.low + TIMES_AROUND.comeUp.high) / 2, sd: 2, scatter: 1.5 },
    coolDown: { mean: (cool.low + cool.high) / 2, sd: (cool.high - cool.low) / 2, scatter: 4 },
    unload: { mean: 5, sd: 3, scatter: 2 },
  };
}

/**
 * Returns how many minutes each waiting stage of a canner takes: whole minutes to plan by, ≥ 1, and the 90 % interval
 * of the next run. Learned from the household's own runs by the normal posterior, starting from common practice (no
 * source).
 *
 * @param quarts size of the canner, quarts; null counts as larger than 16
 * @param past minutes of each stage in earlier runs, ≥ 0, in any order
 */
export function stageTimes(
  quarts: number | null,
  past: Partial<Record<LearnedStage, readonly number[]>> = {},
): StageTimes {
  const start = priors(quarts !== null && quarts <= 16);
  return Object.fromEntries(
    LEARNED.map((stage) => {
      const { scatter, ...prior } = start[stage];
      const cases = past[stage] ?? [];
      const e = predict(posterior(prior, scatter, cases), scatter, cases.length);
      const minutes = Math.max(1, Math.round(e.mean));
      return [stage, { minutes, low: Math.max(0, e.low), high: e.high, runs: cases.length }];
    }),
  ) as StageTimes;
}

/** Minutes of work to fill one container and to make a canner ready. Common practice, no source. */
export const WORK = {
  /** a jar: fill, work out the air, wipe, lid */
  perJar: 2,
  /** a can: fill, exhaust with the others, wipe, seam, look */
  perCan: 3,
  /** cooking before a hot pack, once a load */
  cook: 20,
  /** exhausting cans to 170 °F at the centre, once a load, beside the filling */
  exhaust: 15,
  /** water in, rack in, load, light */
  load: 6,
  /** weight on, and the flame down in small steps, beyond the come-up */
  unload: 5,
} as const;

/** Minutes from steady steam to the weight: venting by the clock. */
export const VENT = VENT_MINUTES;
/** Minutes with the weight off before the lid. */
export const SETTLE = TIMES_AROUND.settle.low;

/**
 * Returns the minutes of work one person needs to fill a load, ≥ 0: per container, plus cooking where a part is packed
 * hot and exhausting where there are cans. Common practice, no source.
 *
 * @param parts counts are whole, ≥ 0
 */
export function packMinutes(parts: readonly { count: number; can: boolean; hot: boolean }[]): number {
  const fill = parts.reduce((sum, p) => sum + p.count * (p.can ? WORK.perCan : WORK.perJar), 0);
  const cook = parts.some((p) => p.hot) ? WORK.cook : 0;
  const exhaust = parts.some((p) => p.can) ? WORK.exhaust : 0;
  return fill + cook + exhaust;
}
