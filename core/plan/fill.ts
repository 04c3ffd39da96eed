import { LEFT_STEP_G, type PlanLot } from "./problem.ts";

/** One way to put a whole lot into containers of at most two sizes, as full as it goes. */
export interface LotFill {
  /** containers of each option, in the order of the lot's options */
  counts: number[];
  leftG: number;
}

/** Returns the lightest container among a lot's options, g, > 0; what is left of a full lot is less than this. */
export function leastGrams(lot: Pick<PlanLot, "options">): number {
  return Math.min(...lot.options.map((o) => o.gramsEach));
}

/**
 * Returns every way to put a lot into containers of at most two sizes so that no further container could be filled,
 * each with the counts of the lot's options and what is left, g, ≥ 0.
 */
export function lotFills(lot: PlanLot): LotFill[] {
  const least = leastGrams(lot);
  const fills = new Map<string, LotFill>();
  const none = lot.options.map(() => 0);
  const keep = (counts: number[], leftG: number) => {
    if (leftG < least) fills.set(counts.join(), { counts, leftG });
  };
  for (const [i, a] of lot.options.entries())
    for (const [j, b] of lot.options.entries()) {
      if (j < i || (j === i && lot.options.length > 1)) continue;
      const most = Math.floor(lot.grams / a.gramsEach);
      for (let n = i === j ? most : 0; n <= most; n++) {
        const rest = lot.grams - n * a.gramsEach;
        const m = i === j ? 0 : Math.floor(rest / b.gramsEach);
        keep(none.with(i, n).with(j, i === j ? n : m), rest - m * b.gramsEach);
      }
    }
  return [...fills.values()];
}

/**
 * Returns how many containers of the lot's first choice a way to fill it leaves out although they could be filled,
 * whole, ≥ 0; 0 when its options are in no order.
 */
export function strayed(lot: PlanLot, fill: Pick<LotFill, "counts">): number {
  if (!lot.inOrder || lot.options.length < 2) return 0;
  return Math.max(0, Math.floor(lot.grams / lot.options[0]!.gramsEach) - fill.counts[0]!);
}

/**
 * Returns what is left of a lot in the steps it is scored by, whole, ≥ 0.
 *
 * @param leftG g, ≥ 0
 */
export function leftSteps(leftG: number): number {
  return Math.floor(leftG / LEFT_STEP_G);
}
