import { kPaFromPsi } from "../quantity/index.ts";
import { deviate, endAttempt, enter, noteUnwatched } from "./change.ts";
import { type RunEvent, type RunPlan } from "./event.ts";
import { OWN_FACE, currentAttempt, type RunState } from "./state.ts";

/** A look is worth this long beside another gauge's, ms: older ones say nothing of now. */
const WORTH_MS = 60_000;
/** Two gauges may differ by this much, kPa (1 lb): what some offices replace a gauge for. Common practice, no source. */
const AGREE_KPA = kPaFromPsi(1);
/** What only says "below", as a figure under the floor, kPa. */
const A_LITTLE_KPA = 0.5;

/** A gauge this near zero has lost its pressure, kPa (0.15 lb: less than a dial can show). */
const ZERO_KPA = 1;

/** A lighter weight than the load needs lets go too early, kPa below that are only rounding. */
export const lighterThan = (plan: RunPlan, weightKPa: number | undefined): boolean =>
  weightKPa !== undefined && plan.weightKPa !== undefined && weightKPa < plan.weightKPa - A_LITTLE_KPA;

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
    case "weight-quiet":
      if (event.type === "jiggles" && event.perMinute) return plan.floorKPa;
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

/** What a person reads off the canner's own dial; what a weight says, and what a gauge sends, are other instruments. */
const readOffDial = (event: RunEvent): boolean =>
  event.source === undefined && (event.type === "reading" || event.type === "at-target");

/** A look at the pressure: by eye, by ear, or sent by a gauge. Changes `state`. */
export function look(state: RunState, plan: RunPlan, event: RunEvent): void {
  if (event.source !== undefined && state.aside.includes(event.source)) return;
  const said = saidKPa(plan, event);
  if (event.tempC !== undefined) state.lastTemp = { at: event.at, tempC: event.tempC };
  if (event.gaugeKPa !== undefined) state.lastReading = { at: event.at, gaugeKPa: event.gaugeKPa };
  if (said === null) return;
  // A dial that may not be gone by can tell of danger and of too little, never of enough.
  const enoughBy = plan.dialReliable !== false || !readOffDial(event);
  if (!enoughBy && said >= plan.floorKPa && said < plan.safeMaxKPa && event.type !== "too-high") return;
  const all = together(state, event, said);
  const over = event.type === "too-high" || all.high >= plan.safeMaxKPa;
  if (over && !state.overPressure) {
    deviate(state, { kind: "over-pressure", at: event.at, gaugeKPa: event.gaugeKPa });
    state.overSince = event.at;
  }
  state.overPressure = over;
  if (event.gaugeKPa !== undefined && all.high <= ZERO_KPA && state.phase === "cooling")
    state.zeroAt ??= event.at;
  const below = all.low < plan.floorKPa;
  if (state.phase === "processing" && state.completedAt === null) {
    const attempt = currentAttempt(state)!;
    noteUnwatched(state, plan, state.lastLookAt ?? attempt.startedAt, event.at);
    if (!below) attempt.lastAtTarget = event.at;
    else {
      const read = event.type === "reading" ? all.low : undefined;
      endAttempt(state, { ...event, gaugeKPa: read }, "below-target");
      deviate(state, { kind: "below-target", at: event.at, gaugeKPa: read });
      enter(state, "pressurising", event.at);
    }
  } else if (state.phase === "pressurising" && enoughBy && !below) {
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
export function setAside(state: RunState, event: RunEvent): void {
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
