import type { RunEvent, RunPlan } from "./event.ts";

/** The two instruments every canner may have, as they are named in a record. Anything else is a gauge that sends. */
export const OWN_DIAL = "the dial";
export const OWN_WEIGHT = "the weight";
/** How the name of a sender begins that gave none: it may be reading the canner's own dial. */
export const UNNAMED = "unnamed sender";

/** What an instrument was seen or heard to say. Only a value is a measured figure; kPa are as read on its face. */
export type Says =
  | { relation: "value"; kPa: number }
  | { relation: "at-least" }
  | { relation: "below" }
  | { relation: "rocking"; perMinute: number | null }
  | { relation: "silent" }
  | { relation: "over-limit" };

/** What a person saw on an instrument, or what the instrument sent. */
export interface Observation {
  instrument: string;
  /** ms since 1970 UTC */
  at: number;
  seenBy: "person" | "sender";
  says: Says;
}

/** How far an instrument is relied on. */
export type Standing =
  /** tested; it may be off by a known amount */
  | "tested"
  /** overdue for its test or never tested, and a person signed for using it */
  | "signed"
  /** a gauge that sends; this larder keeps no test of it */
  | "sends"
  /** the weight: it has no face to be wrong */
  | "weight"
  | "overdue"
  | "untested"
  /** reads too far off to be corrected */
  | "replace"
  /** the canner has no dial */
  | "none"
  | "out-of-service";

const RELIED_ON: readonly Standing[] = ["tested", "signed", "sends", "weight"];

/** Returns whether an instrument in this standing may show that the pressure is enough for the food. */
export const isReliedOn = (standing: Standing): boolean => RELIED_ON.includes(standing);

/**
 * Returns how far an instrument is relied on in a run.
 *
 * @param aside instruments put out of service in this run
 * @param instrument its name: the dial, the weight, or that of a gauge that sends
 */
export function standingOf(plan: RunPlan, aside: readonly string[], instrument: string): Standing {
  if (aside.includes(instrument)) return "out-of-service";
  if (instrument === OWN_WEIGHT) return "weight";
  if (instrument !== OWN_DIAL && !instrument.startsWith(UNNAMED)) return "sends";
  if (aside.includes(OWN_DIAL)) return "out-of-service";
  const dial = plan.dial?.standing ?? (plan.dialReliable === false ? "untested" : "tested");
  return instrument !== OWN_DIAL && isReliedOn(dial) ? "sends" : dial;
}

/** Returns whether the canner of a run has a dial to read, relied on or not. Runs opened before it was kept count as having one. */
export const hasDial = (plan: RunPlan): boolean => plan.dial?.standing !== "none";

/** Returns what shows that no pressure is left, as a clause: by the dial, or by the weight where there is no dial. */
export const zeroSign = (plan: RunPlan | undefined): string =>
  plan && !hasDial(plan) ? "a nudge of the weight gives no steam" : "the gauge reads zero";

/**
 * Returns which instrument decides at the moment: the one the run was opened with, or the weight when that dial is out
 * of service.
 *
 * @param aside instruments put out of service in this run
 */
export function governsNow(plan: RunPlan, aside: readonly string[]): RunPlan["governs"] {
  if (plan.governs === "weighted" || plan.weightKPa === undefined) return plan.governs;
  return isReliedOn(standingOf(plan, aside, OWN_DIAL)) ? "dial" : "weighted";
}

/** Returns what an event says of the pressure; null when it says nothing of it. */
export function observationOf(plan: RunPlan, event: RunEvent): Observation | null {
  const says = saysOf(event);
  if (!says) return null;
  // Where there is no dial, whoever says “at target” has listened to the weight.
  const noDial = plan.dial?.standing === "none" && says.relation !== "value";
  const ofWeight = noDial || says.relation === "rocking" || says.relation === "silent";
  return {
    instrument: event.source ?? (ofWeight ? OWN_WEIGHT : OWN_DIAL),
    at: event.at,
    seenBy: event.source === undefined ? "person" : "sender",
    says,
  };
}

function saysOf(event: RunEvent): Says | null {
  switch (event.type) {
    case "reading":
      return event.gaugeKPa === undefined ? null : { relation: "value", kPa: event.gaugeKPa };
    case "at-target":
      return { relation: "at-least" };
    case "below-target":
      return { relation: "below" };
    case "too-high":
      return { relation: "over-limit" };
    case "weight-rocking":
      return { relation: "rocking", perMinute: null };
    case "jiggles":
      return event.perMinute ? { relation: "rocking", perMinute: event.perMinute } : { relation: "silent" };
    case "weight-quiet":
      return { relation: "silent" };
    default:
      return null;
  }
}
