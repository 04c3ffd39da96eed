import { HOUR_MS, MINUTE_MS } from "#core/quantity";
import type { RunEvent, RunPlan } from "./event.ts";
import { addDeviation, endPeriod, enterPhase, noteUnobserved, outOfPlace } from "./change.ts";
import { cutExtra, totalMinutes } from "./extra.ts";
import { lighterThan, applyLook, putOutOfService } from "./look.ts";
import { LID_OFF_WITHIN_HOURS } from "../schedule/index.ts";
import { currentPeriod, type RunState } from "./state.ts";

/**
 * Brings the clocks of a state to an instant with no event in between: venting and process time count on. Changes
 * `state`.
 *
 * @param now ms since 1970 UTC
 */
export function elapse(state: RunState, plan: RunPlan, now: number): void {
  // While nobody can tell what time it is, nothing is over.
  if (state.clockUnknownSince !== null) return;
  const { vent } = state;
  if (state.phase === "venting" && vent.steadySince !== null && vent.doneAt === null) {
    const due = ventDueAt(state, plan);
    if (due !== null && now >= due) vent.doneAt = due;
  }
  const attempt = currentPeriod(state);
  if (state.phase === "processing" && attempt && state.completedAt === null) {
    const finish = attempt.startedAt + totalMinutes(plan) * MINUTE_MS;
    if (now >= finish) {
      noteUnobserved(state, plan, attempt, finish);
      state.completedAt = finish;
      state.outcome = "processed";
    }
  }
}

/** Returns when venting will be complete if steam stays steady, ms since 1970 UTC; null while it is not steady. */
export function ventDueAt(state: RunState, plan: RunPlan): number | null {
  const { vent } = state;
  if (vent.doneAt !== null) return vent.doneAt;
  if (vent.steadySince === null) return null;
  const byClock = vent.steadySince + plan.ventMinutes * MINUTE_MS;
  if (plan.minBurnerToVentEndMinutes === null || state.burnerLitAt === null) return byClock;
  return Math.max(byClock, state.burnerLitAt + plan.minBurnerToVentEndMinutes * MINUTE_MS);
}

/**
 * Applies one event to a state; any event is accounted for in any stage. Changes `state`.
 *
 * @param event the next in the order they count
 */
export function step(state: RunState, plan: RunPlan, event: RunEvent): void {
  elapse(state, plan, event.at);
  if (event.type === "note") return;
  if (event.type === "handover") {
    state.atTheStove = event.text ?? null;
    return;
  }
  if (event.type === "silence") return silence(state, event);
  if (event.type === "clock-step" || event.type === "clock-unknown" || event.type === "clock-known")
    return clock(state, event, event.type);
  if (event.type === "confirmed") {
    if (event.asked)
      state.confirmed[event.asked] = { at: event.at, by: event.by ?? null, text: event.text ?? null };
    return;
  }
  if (event.by) state.atTheStove ??= event.by;
  if (event.type === "abort") return abort(state, event);
  if (state.phase === "aborted" || state.phase === "checked") return outOfPlace(state, event);
  switch (event.type) {
    case "heat-on":
      return heatOn(state, event);
    case "steam-steady":
      return steamSteady(state, event);
    case "steam-faltered":
      return steamFaltered(state, event);
    case "weight-on":
      return weightOn(state, plan, event);
    case "gauge-aside":
      return putOutOfService(state, plan, event);
    case "jiggles":
    case "reading":
    case "at-target":
    case "below-target":
    case "too-high":
    case "weight-rocking":
    case "weight-quiet":
      return applyLook(state, plan, event);
    case "heat-off":
      return heatOff(state, plan, event);
    case "pressure-zero":
    case "lock-down":
      return sign(state, event);
    case "weight-off":
      return weightOff(state, event);
    case "lid-off":
      return lidOff(state, plan, event);
    case "container-out":
      return containerOut(state, event);
    case "unloaded":
      if (state.phase !== "unloading") return outOfPlace(state, event);
      state.unloadedAt = event.at;
      return enterPhase(state, "resting", event.at);
    case "checked":
      if (state.phase !== "resting") return outOfPlace(state, event);
      state.checkedAt = event.at;
      return enterPhase(state, "checked", event.at);
  }
}

function abort(state: RunState, event: RunEvent): void {
  if (state.phase === "aborted" || state.phase === "resting" || state.phase === "checked")
    return outOfPlace(state, event);
  endPeriod(state, event, "abort");
  state.outcome = "not-processed";
  addDeviation(state, { kind: "aborted", at: event.at, text: event.text });
  enterPhase(state, "aborted", event.at);
}

function heatOn(state: RunState, event: RunEvent): void {
  if (state.phase === "warming") {
    state.burnerLitAt ??= event.at;
    return;
  }
  // Heat back on after the run was given up before its time: everything begins again, venting too.
  if (state.phase === "cooling" && state.completedAt === null && state.weightOffAt === null) {
    state.burnerLitAt = event.at;
    state.vent = { steadySince: null, doneAt: null };
    state.outcome = "under-way";
    state.heatOffAt = state.zeroAt = state.lockDownAt = null;
    state.seen = {};
    state.waitsFor = [];
    return enterPhase(state, "warming", event.at);
  }
  outOfPlace(state, event);
}

function steamSteady(state: RunState, event: RunEvent): void {
  if (state.phase !== "warming" && state.phase !== "venting") return outOfPlace(state, event);
  // Steam cannot come from a cold burner: when lighting it was not tapped, it was lit by now at the latest.
  state.burnerLitAt ??= event.at;
  if (state.phase === "warming") enterPhase(state, "venting", event.at);
  state.vent.steadySince ??= event.at;
}

function steamFaltered(state: RunState, event: RunEvent): void {
  if (state.phase !== "venting") return outOfPlace(state, event);
  if (state.vent.steadySince === null || state.vent.doneAt !== null) return;
  // The ten minutes are steady steam without a break: a falter starts them over.
  state.vent.steadySince = null;
}

function weightOn(state: RunState, plan: RunPlan, event: RunEvent): void {
  if (lighterThan(plan, event.weightKPa)) {
    // It cannot hold the pressure: until the right one is on, nothing has been put on.
    addDeviation(state, { kind: "wrong-weight", at: event.at, gaugeKPa: event.weightKPa });
    cutExtra(state, plan, event.at);
    if (state.phase === "processing" && state.completedAt === null) {
      endPeriod(state, event, "below-target");
      enterPhase(state, "pressurising", event.at);
    }
    return;
  }
  if (state.phase === "pressurising" || state.phase === "processing") return;
  if (state.phase !== "venting") return outOfPlace(state, event);
  if (state.vent.doneAt === null) {
    // Air is still inside: the run stays at venting, and the ten minutes start over once it is off again.
    addDeviation(state, { kind: "weight-on-early", at: event.at });
    return steamFaltered(state, event);
  }
  // What was seen with the vent open says nothing of a canner that is shut.
  state.seen = {};
  enterPhase(state, "pressurising", event.at);
}

/** The larder's own clock: set by somebody, unknown after a power cut, and known again. */
function clock(state: RunState, event: RunEvent, type: "clock-step" | "clock-unknown" | "clock-known"): void {
  if (type === "clock-known") {
    state.clockUnknownSince = null;
    return;
  }
  if (type === "clock-unknown") state.clockUnknownSince ??= event.at;
  else state.lookAskedSince = event.at;
  addDeviation(state, { kind: type, at: event.at, stepMs: event.stepMs });
}

function silence(state: RunState, event: RunEvent): void {
  if (event.alarm)
    state.silenced = { alarm: event.alarm, at: event.at, by: event.by ?? null, reason: event.text ?? null };
}

function containerOut(state: RunState, event: RunEvent): void {
  if (state.phase !== "unloading" && state.phase !== "resting") return outOfPlace(state, event);
  if (!event.container) return;
  const out = { container: event.container, at: event.at, siphoned: event.siphoned ?? null };
  const before = state.out.findIndex((o) => o.container === event.container);
  // Said again, it keeps its place in the order: only what it lost is told anew.
  if (before >= 0) state.out[before] = { ...out, at: state.out[before]!.at };
  else state.out.push(out);
}

function heatOff(state: RunState, plan: RunPlan, event: RunEvent): void {
  if (!["warming", "venting", "pressurising", "processing"].includes(state.phase))
    return outOfPlace(state, event);
  cutExtra(state, plan, event.at);
  state.heatOffAt = event.at;
  if (state.completedAt === null) {
    endPeriod(state, event, "heat-off");
    state.outcome = "not-processed";
    addDeviation(state, { kind: "ended-early", at: event.at });
  } else {
    const attempt = currentPeriod(state);
    if (attempt) attempt.endedAt = event.at;
  }
  enterPhase(state, "cooling", event.at);
}

function sign(state: RunState, event: RunEvent): void {
  if (state.phase !== "cooling") return outOfPlace(state, event);
  if (event.type === "pressure-zero") state.zeroAt ??= event.at;
  else state.lockDownAt ??= event.at;
}

function weightOff(state: RunState, event: RunEvent): void {
  if (state.phase === "venting" && state.vent.doneAt === null) return; // put on too early, and taken off again
  if (state.phase !== "cooling") return outOfPlace(state, event);
  if (state.zeroAt === null || state.lockDownAt === null)
    addDeviation(state, { kind: "weight-off-early", at: event.at });
  state.weightOffAt = event.at;
  enterPhase(state, "settling", event.at);
}

function lidOff(state: RunState, plan: RunPlan, event: RunEvent): void {
  if (state.phase !== "settling") return outOfPlace(state, event);
  if (event.at - state.weightOffAt! < plan.settleMinutes * MINUTE_MS)
    addDeviation(state, { kind: "lid-off-early", at: event.at });
  // Longer under the lid invites flat-sour spoilage: a matter of quality, recorded and nothing more.
  else if (event.at - state.weightOffAt! > plan.settleMinutes * MINUTE_MS + LID_OFF_WITHIN_HOURS * HOUR_MS)
    addDeviation(state, { kind: "lid-off-late", at: event.at });
  state.lidOffAt = event.at;
  enterPhase(state, "unloading", event.at);
}
