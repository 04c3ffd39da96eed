import type { RunPlan } from "./event.ts";
import { WORTH_MS } from "./judge.ts";
import { OWN_DIAL, governsNow, isReliedOn, standingOf } from "./observation.ts";
import type { RunState } from "./state.ts";

/** After so many looks that were only a tap, the next one asks for the figure. Common practice, no source. */
export const TAPS_TO_FIGURE = 2;

/** How a person is asked for the next look at the pressure: not at all, by a tap, or by reading the figure. */
export type LookAsked = "nothing" | "tap" | "figure";

/**
 * Returns the names of the gauges that watch the pressure at the moment: relied on, and heard within a minute.
 *
 * @param now ms since 1970 UTC
 */
export function watchedBy(view: Pick<RunState, "seen" | "aside">, plan: RunPlan, now: number): string[] {
  return Object.values(view.seen)
    .filter((o) => o.seenBy === "sender" && o.says.relation === "value" && now - o.at < WORTH_MS)
    .map((o) => o.instrument)
    .filter((name) => isReliedOn(standingOf(plan, view.aside, name)));
}

/**
 * Returns how a person is asked for the next look: not at all while a gauge watches, by a tap, or, on a dial after two
 * taps, by its figure. Common practice, no source.
 *
 * @param view the run at an instant
 * @param now ms since 1970 UTC
 */
export function nextLook(
  view: Pick<RunState, "seen" | "aside" | "tapsSinceFigure">,
  plan: RunPlan,
  now: number,
): LookAsked {
  if (watchedBy(view, plan, now).length > 0) return "nothing";
  const onDial =
    governsNow(plan, view.aside) === "dial" && isReliedOn(standingOf(plan, view.aside, OWN_DIAL));
  return onDial && view.tapsSinceFigure >= TAPS_TO_FIGURE ? "figure" : "tap";
}

/**
 * Returns eight figures around a pressure for a person to choose from, ≥ 0: whole pounds, or multiples of 5 kPa.
 *
 * @param held pressure in that unit, ≥ 0
 */
export function figuresAround(held: number, unit: "lb" | "kPa"): number[] {
  const step = unit === "lb" ? 1 : 5;
  const first = Math.max(0, Math.floor(held / step) - 2);
  return Array.from({ length: 8 }, (_, i) => (first + i) * step);
}
