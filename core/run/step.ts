import { type RunEvent, type RunPlan } from "./event.ts";
import { OWN_FACE, currentAttempt, type Attempt, type Deviation, type RunState } from "./state.ts";

const MINUTE = 60_000;

/** A look is worth this long beside another gauge's, ms: older ones say nothing of now. */
const WORTH_MS = 60_000;
/** Two gauges may differ by this much, kPa (1 lb): what some offices replace a gauge for. Common practice, no source. */
export const AGREE_KPA = 6.894757;
/** What only says "below", as a figure under the floor, kPa. */
const A_LITTLE_KPA = 0.5;

/** A gauge this near zero has lost its pressure, kPa (0.15 lb: less than a dial can show). */
export const ZERO_KPA = 1;

/**
 * Brings the clocks of a state up to an instant with nothing happening in between: venting fills up, the process
 * time is served. Changes `state`.
 */
export function elapse(state: RunState, plan: RunPlan, now: number): void {
  const { vent } = state;
  if (state.phase === "venting" && vent.steadySince !== null && vent.doneAt === null) {
    const due = ventDueAt(state, plan);
    if (due !== null && now >= due) vent.doneAt = due;
  }
  const attempt = currentAttempt(state);
  if (state.phase === "processing" && attempt && state.completedAt === null) {
    const finish = attempt.startedAt + plan.minutes * MINUTE;
    if (now >= finish) {
      noteUnwatched(state, plan, state.lastLookAt ?? attempt.startedAt, finish);
      state.completedAt = finish;
      state.outcome = "processed";
    }
  }
}

/** When venting will be done if steam stays steady; null while it is not. */
export function ventDueAt(state: RunState, plan: RunPlan): number | null {
  const { vent } = state;
  if (vent.doneAt !== null) return vent.doneAt;
  if (vent.steadySince === null) return null;
  const byClock = vent.steadySince + Math.max(0, plan.ventMinutes * MINUTE - vent.steadyMs);
  if (plan.minBurnerToVentEndMinutes === null || state.burnerLitAt === null) return byClock;
  return Math.max(byClock, state.burnerLitAt + plan.minBurnerToVentEndMinutes * MINUTE);
}

/** Applies one event, in order, to a state. Changes `state`. Total: any event in any phase is accounted for. */
export function step(state: RunState, plan: RunPlan, event: RunEvent): void {
  elapse(state, plan, event.at);
  if (event.type === "note") return;
  if (event.type === "handover") {
    state.atTheStove = event.text ?? null;
    return;
  }
  if (event.type === "silence") return silence(state, event);
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
      return setAside(state, event);
    case "jiggles":
    case "reading":
    case "at-target":
    case "below-target":
    case "too-high":
    case "weight-rocking":
    case "weight-quiet":
      return look(state, plan, event);
    case "heat-off":
      return heatOff(state, event);
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
      return enter(state, "resting", event.at);
    case "checked":
      if (state.phase !== "resting") return outOfPlace(state, event);
      state.checkedAt = event.at;
      return enter(state, "checked", event.at);
  }
}

function enter(state: RunState, phase: RunState["phase"], at: number): void {
  state.phase = phase;
  state.phaseSince = at;
}

function deviate(state: RunState, deviation: Deviation): void {
  state.deviations.push(deviation);
}

function outOfPlace(state: RunState, event: RunEvent): void {
  deviate(state, { kind: "out-of-place", at: event.at, text: event.type });
}

function abort(state: RunState, event: RunEvent): void {
  if (state.phase === "aborted" || state.phase === "resting" || state.phase === "checked")
    return outOfPlace(state, event);
  endAttempt(state, event, "abort");
  state.outcome = "not-processed";
  deviate(state, { kind: "aborted", at: event.at, text: event.text });
  enter(state, "aborted", event.at);
}

function heatOn(state: RunState, event: RunEvent): void {
  if (state.phase === "warming") {
    state.burnerLitAt ??= event.at;
    return;
  }
  // Heat back on after the run was given up before its time: everything begins again, venting too.
  if (state.phase === "cooling" && state.completedAt === null && state.weightOffAt === null) {
    state.burnerLitAt = event.at;
    state.vent = { steadyMs: 0, steadySince: null, doneAt: null };
    state.outcome = "under-way";
    state.heatOffAt = state.zeroAt = state.lockDownAt = null;
    state.gauges = {};
    return enter(state, "warming", event.at);
  }
  outOfPlace(state, event);
}

function steamSteady(state: RunState, event: RunEvent): void {
  if (state.phase !== "warming" && state.phase !== "venting") return outOfPlace(state, event);
  // Steam cannot come from a cold burner: when lighting it was not tapped, it was lit by now at the latest.
  state.burnerLitAt ??= event.at;
  if (state.phase === "warming") enter(state, "venting", event.at);
  state.vent.steadySince ??= event.at;
}

function steamFaltered(state: RunState, event: RunEvent): void {
  if (state.phase !== "venting") return outOfPlace(state, event);
  if (state.vent.steadySince === null || state.vent.doneAt !== null) return;
  state.vent.steadyMs += event.at - state.vent.steadySince;
  state.vent.steadySince = null;
}

/** A lighter weight than the load needs lets go too early, kPa below that are only rounding. */
export const lighterThan = (plan: RunPlan, weightKPa: number | undefined): boolean =>
  weightKPa !== undefined && plan.weightKPa !== undefined && weightKPa < plan.weightKPa - A_LITTLE_KPA;

function weightOn(state: RunState, plan: RunPlan, event: RunEvent): void {
  if (lighterThan(plan, event.weightKPa)) {
    // It cannot hold the pressure: until the right one is on, nothing has been put on.
    deviate(state, { kind: "wrong-weight", at: event.at, gaugeKPa: event.weightKPa });
    if (state.phase === "processing" && state.completedAt === null) {
      endAttempt(state, event, "below-target");
      enter(state, "pressurising", event.at);
    }
    return;
  }
  if (state.phase === "pressurising" || state.phase === "processing") return;
  if (state.phase !== "venting") return outOfPlace(state, event);
  if (state.vent.doneAt === null) {
    // Air is still inside: the run stays at venting, and the clock of steady steam stops until it is off again.
    deviate(state, { kind: "weight-on-early", at: event.at });
    return steamFaltered(state, event);
  }
  enter(state, "pressurising", event.at);
}

type Look = "at" | "below" | "none";

/** What an event says of the pressure as a figure on the face, kPa; null when it says nothing of it. */
function saidKPa(plan: RunPlan, event: RunEvent): number | null {
  switch (event.type) {
    case "reading":
      return event.gaugeKPa ?? null;
    case "at-target":
    case "too-high":
    case "weight-rocking":
      // A weight that rocks at its setting is at or above the floor when it governs or was set above the dial's.
      return plan.floorKPa;
    case "below-target":
      return plan.floorKPa - A_LITTLE_KPA;
    case "jiggles":
      if (event.perMinute) return plan.floorKPa;
      return plan.governs === "weighted" ? plan.floorKPa - A_LITTLE_KPA : null;
    case "weight-quiet":
      return plan.governs === "weighted" ? plan.floorKPa - A_LITTLE_KPA : null;
    default:
      return null;
  }
}

/**
 * What all gauges together say: for the food the lowest counts, for the lid the highest. A look stays worth a minute, so
 * that two gauges that take turns do not make the time begin again and again.
 */
function together(
  state: RunState,
  event: RunEvent,
  kPa: number,
): { low: number; high: number; by: string[] } {
  const name = event.source ?? OWN_FACE;
  state.gauges[name] = { at: event.at, kPa };
  let [low, high] = [kPa, kPa];
  const by = [name];
  for (const other in state.gauges) {
    const g = state.gauges[other]!;
    if (other === name || event.at - g.at >= WORTH_MS) continue;
    low = Math.min(low, g.kPa);
    high = Math.max(high, g.kPa);
    by.push(other);
  }
  const apart = high - low > AGREE_KPA;
  if (apart && !state.disagree)
    deviate(state, { kind: "gauges-disagree", at: event.at, gaugeKPa: low, otherKPa: high });
  state.disagree = apart;
  return { low, high, by };
}

function look(state: RunState, plan: RunPlan, event: RunEvent): void {
  if (event.source !== undefined && state.aside.includes(event.source)) return;
  const said = saidKPa(plan, event);
  if (event.gaugeKPa !== undefined) state.lastReading = { at: event.at, gaugeKPa: event.gaugeKPa };
  if (said === null) return;
  const all = together(state, event, said);
  const over = event.type === "too-high" || all.high >= plan.safeMaxKPa;
  if (over && !state.overPressure) {
    deviate(state, { kind: "over-pressure", at: event.at, gaugeKPa: event.gaugeKPa });
    state.overSince = event.at;
  }
  state.overPressure = over;
  if (event.gaugeKPa !== undefined && all.high <= ZERO_KPA && state.phase === "cooling")
    state.zeroAt ??= event.at;
  const seen: Look = all.low >= plan.floorKPa ? "at" : "below";
  if (state.phase === "processing" && state.completedAt === null) {
    const attempt = currentAttempt(state)!;
    noteUnwatched(state, plan, state.lastLookAt ?? attempt.startedAt, event.at);
    if (seen === "at") attempt.lastAtTarget = event.at;
    else {
      const read = event.type === "reading" ? all.low : undefined;
      endAttempt(state, { ...event, gaugeKPa: read }, "below-target");
      deviate(state, { kind: "below-target", at: event.at, gaugeKPa: read });
      enter(state, "pressurising", event.at);
    }
  } else if (state.phase === "pressurising" && seen === "at") {
    if (state.attempts.length > 0) state.restarts++;
    state.attempts.push({ startedAt: event.at, lastAtTarget: event.at, endedAt: null, seenBy: all.by });
    enter(state, "processing", event.at);
  }
  state.lastLookAt = event.at;
}

/**
 * From now on nobody goes by this gauge. A time that only it saw begin has not begun; one that something else saw as well
 * goes on.
 */
function setAside(state: RunState, event: RunEvent): void {
  const name = event.source ?? OWN_FACE;
  if (state.aside.includes(name) || name === OWN_FACE) return;
  state.aside.push(name);
  state.gauges = Object.fromEntries(Object.entries(state.gauges).filter(([g]) => g !== name));
  state.disagree = false;
  deviate(state, {
    kind: "gauge-aside",
    at: event.at,
    text: `${name}${event.text ? `: ${event.text}` : ""}`,
  });
  const attempt = currentAttempt(state);
  if (state.phase !== "processing" || !attempt || state.completedAt !== null) return;
  if (attempt.seenBy.every((by) => state.aside.includes(by))) {
    endAttempt(state, event, "gauge-aside");
    enter(state, "pressurising", event.at);
  }
}

function silence(state: RunState, event: RunEvent): void {
  if (event.alarm)
    state.silenced = { alarm: event.alarm, at: event.at, by: event.by ?? null, reason: event.text ?? null };
}

function containerOut(state: RunState, event: RunEvent): void {
  if (state.phase !== "unloading" && state.phase !== "resting") return outOfPlace(state, event);
  if (!event.container) return;
  const out = { container: event.container, at: event.at, siphoned: event.siphoned ?? "none" };
  const before = state.out.findIndex((o) => o.container === event.container);
  // Said again, it keeps its place in the order: only what it lost is told anew.
  if (before >= 0) state.out[before] = { ...out, at: state.out[before]!.at };
  else state.out.push(out);
}

function noteUnwatched(state: RunState, plan: RunPlan, from: number, to: number): void {
  if (to - from > plan.unwatchedLimitS * 1000) deviate(state, { kind: "unwatched", at: from, until: to });
}

function endAttempt(state: RunState, event: RunEvent, endedBy: NonNullable<Attempt["endedBy"]>): void {
  const attempt = currentAttempt(state);
  if (!attempt || state.completedAt !== null) return;
  attempt.endedAt = event.at;
  attempt.endedBy = endedBy;
  if (event.gaugeKPa !== undefined) attempt.endedAtKPa = event.gaugeKPa;
}

function heatOff(state: RunState, event: RunEvent): void {
  if (!["warming", "venting", "pressurising", "processing"].includes(state.phase))
    return outOfPlace(state, event);
  state.heatOffAt = event.at;
  if (state.completedAt === null) {
    endAttempt(state, event, "heat-off");
    state.outcome = "not-processed";
    deviate(state, { kind: "ended-early", at: event.at });
  } else {
    const attempt = currentAttempt(state);
    if (attempt) attempt.endedAt = event.at;
  }
  enter(state, "cooling", event.at);
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
    deviate(state, { kind: "weight-off-early", at: event.at });
  state.weightOffAt = event.at;
  enter(state, "settling", event.at);
}

function lidOff(state: RunState, plan: RunPlan, event: RunEvent): void {
  if (state.phase !== "settling") return outOfPlace(state, event);
  if (event.at - state.weightOffAt! < plan.settleMinutes * MINUTE)
    deviate(state, { kind: "lid-off-early", at: event.at });
  state.lidOffAt = event.at;
  enter(state, "unloading", event.at);
}
