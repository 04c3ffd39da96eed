import { addDeviation, endPeriod, enterPhase, noteUnobserved } from "./change.ts";
import type { RunEvent, RunPlan } from "./event.ts";
import { cutExtra, scheduledEnd } from "./extra.ts";
import { A_LITTLE_KPA, judge } from "./judge.ts";
import { OWN_DIAL, isReliedOn, observationOf, standingOf } from "./observation.ts";
import { currentPeriod, type RunState } from "./state.ts";

/**
 * Returns whether a weight lifts at a lower pressure than the load needs; false when either is not known.
 *
 * @param weightKPa what the weight lifts at, kPa
 */
export const lighterThan = (plan: RunPlan, weightKPa: number | undefined): boolean =>
  weightKPa !== undefined && plan.weightKPa !== undefined && weightKPa < plan.weightKPa - A_LITTLE_KPA;

/** Applies one look at the pressure, by eye, by ear or sent by a gauge. Changes `state`. */
export function applyLook(state: RunState, plan: RunPlan, event: RunEvent): void {
  const seen = observationOf(plan, event);
  const standing = standingOf(plan, state.aside, seen?.instrument ?? event.source ?? OWN_DIAL);
  const ignored = standing === "out-of-service" && event.source !== undefined;
  if (ignored) return;
  if (event.tempC !== undefined) state.lastTemp = { at: event.at, tempC: event.tempC };
  if (!seen) return;
  if (seen.says.relation === "value")
    state.lastReading = { at: event.at, gaugeKPa: seen.says.kPa, instrument: seen.instrument };
  // A weight set as a limit is quiet while all is well: that is no look.
  state.seen[seen.instrument] = seen;
  if (seen.instrument === OWN_DIAL) {
    if (seen.says.relation === "value") state.tapsSinceFigure = 0;
    else if (seen.says.relation === "at-least") state.tapsSinceFigure++;
  }
  const all = judge(plan, state.aside, state.seen, event.at);
  if (all.contradiction && !state.disagree)
    addDeviation(state, {
      kind: "gauges-disagree",
      at: event.at,
      gaugeKPa: all.contradiction.lowKPa,
      otherKPa: all.contradiction.highKPa,
    });
  state.disagree = all.contradiction !== null;
  if (all.over && !state.overPressure) {
    addDeviation(state, { kind: "over-pressure", at: event.at, gaugeKPa: event.gaugeKPa });
    state.overSince = event.at;
  }
  state.overPressure = all.over;
  if (all.atZero && seen.says.relation === "value" && state.phase === "cooling") state.zeroAt ??= event.at;
  if (saysItWasBelow(state, plan, event, all.belowBy.includes(seen.instrument)))
    return takeBack(state, event);
  const saysEnough = all.enoughBy.includes(seen.instrument);
  const saysBelow = all.belowBy.includes(seen.instrument);
  state.waitsFor = state.phase === "pressurising" && saysEnough && !saysBelow ? all.belowBy : [];
  if (all.food === "below") cutExtra(state, plan, event.at);
  if (state.phase === "processing" && state.completedAt === null) {
    const attempt = currentPeriod(state)!;
    if (all.food === "below") {
      noteUnobserved(state, plan, attempt, event.at);
      const read = event.type === "reading" ? (all.lowestKPa ?? undefined) : undefined;
      endPeriod(state, { ...event, gaugeKPa: read }, "below-target");
      addDeviation(state, { kind: "below-target", at: event.at, gaugeKPa: read });
      enterPhase(state, "pressurising", event.at);
    } else if (saysEnough) {
      noteUnobserved(state, plan, attempt, event.at);
      attempt.lastAtTarget = event.at;
    }
  } else if (
    state.phase === "pressurising" &&
    saysEnough &&
    all.food === "enough" &&
    state.clockUnknownSince === null
  ) {
    if (state.attempts.length > 0) state.restarts++;
    state.attempts.push({
      startedAt: event.at,
      lastAtTarget: event.at,
      endedAt: null,
      seenBy: all.enoughBy,
      unobserved: [],
      ...(event.knownBy && {
        knownBy: event.knownBy,
        heardAt: event.heardAt,
        claimedAt: event.claimedAt,
      }),
    });
    enterPhase(state, "processing", event.at);
  }
  if (!saysEnough && !saysBelow) return;
  state.lastLookAt = event.at;
  state.lookAskedSince = null;
}

/** A doubted clock says that it was below while a time ran that has been served since. */
function saysItWasBelow(state: RunState, plan: RunPlan, event: RunEvent, below: boolean): boolean {
  const attempt = currentPeriod(state);
  const { claimedAt } = event;
  if (!below || claimedAt === undefined || state.completedAt === null || !attempt) return false;
  return (
    claimedAt >= attempt.startedAt && claimedAt < Math.min(state.completedAt, scheduledEnd(plan, attempt))
  );
}

/** What was served is not: it was below before its end. Changes `state`. */
function takeBack(state: RunState, event: RunEvent): void {
  state.completedAt = null;
  endPeriod(state, event, "below-target");
  addDeviation(state, { kind: "below-target", at: event.claimedAt!, gaugeKPa: event.gaugeKPa });
  if (state.heatOffAt === null) {
    state.outcome = "under-way";
    enterPhase(state, "pressurising", event.at);
  } else state.outcome = "not-processed";
}

/**
 * Puts an instrument out of service for the rest of the run. A process period that only it saw begin has not begun;
 * one that another instrument saw as well goes on. Changes `state`.
 */
export function putOutOfService(state: RunState, plan: RunPlan, event: RunEvent): void {
  const name = event.source ?? OWN_DIAL;
  if (state.aside.includes(name)) return;
  state.aside.push(name);
  state.seen = Object.fromEntries(Object.entries(state.seen).filter(([seen]) => seen !== name));
  state.waitsFor = state.waitsFor.filter((n) => n !== name);
  state.disagree = false;
  addDeviation(state, {
    kind: "gauge-aside",
    at: event.at,
    text: `${name}${event.text ? `: ${event.text}` : ""}`,
  });
  const attempt = currentPeriod(state);
  if (state.phase !== "processing" || !attempt || state.completedAt !== null) return;
  if (attempt.seenBy.some((by) => isReliedOn(standingOf(plan, state.aside, by)))) return;
  endPeriod(state, event, "gauge-aside");
  enterPhase(state, "pressurising", event.at);
}
