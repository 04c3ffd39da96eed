import {
  FINE,
  cannerHistory,
  centreLethality,
  courseOf,
  resampleHistory,
  perfectHistory,
  type Knot,
  type Slip,
} from "#core/heat";
import { kPaFromPsi } from "#core/quantity";
import { bandFor } from "#core/schedule";
import { heatOf } from "#store/run";
import type { Home } from "../../../server/context";

const SLIPS: readonly Slip[] = ["drop", "no-vent", "sea-level", "timer-at-vent"];

/** What one slip would have left of the same schedule done perfectly: 0 to 1 and more. */
export interface SlipShare {
  slip: Slip;
  share: number;
}

/** A history as the model takes it: one instant a step. */
function stepped(knots: readonly Knot[]): Knot[] {
  const start = knots[0]!.at;
  return [...resampleHistory(knots, FINE.stepS)].map((tempC, i) => ({
    at: start + i * FINE.stepS * 1000,
    tempC,
  }));
}

/** What the heat panel of a run is made from. */
export function heatPanel({ larder }: Home, code: string, packCode: string | null) {
  const { run, kitchen, packs } = heatOf(larder, code);
  const chosen = packs.find((p) => p.code === packCode) ?? packs[0];
  const now = larder.now();
  const { plan, events, openedAt, view } = run;
  const done = cannerHistory(plan, events, kitchen, openedAt, now);
  const course = courseOf(plan, events, kitchen, openedAt, now);
  const perfect = perfectHistory(plan, kitchen, course);
  if (!chosen || done.length < 2) return { run, packs, chosen: chosen ?? null, heat: null };
  const whole = centreLethality(chosen.heated, perfect);
  const share = (knots: readonly Knot[]) => centreLethality(chosen.heated, knots) / whole;
  const sea = bandFor(0);
  const seaLevelKPa = kPaFromPsi((plan.governs === "dial" ? sea.dialPsi : null) ?? sea.weightedPsi);
  const moved = kPaFromPsi(run.schedule.governing.target.truePsi) > seaLevelKPa + 0.5;
  return {
    run,
    packs,
    chosen,
    heat: {
      // A gauge that sends every second tells the model nothing more than one every step of it.
      done: stepped(done),
      perfect,
      share: share(done),
      over: view.heatOffAt !== null,
      slips: SLIPS.filter((s) => s !== "sea-level" || moved).map((slip): SlipShare => ({
        slip,
        share: share(perfectHistory(plan, kitchen, course, slip, seaLevelKPa)),
      })),
    },
  };
}
