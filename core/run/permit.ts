import { formatDuration, formatFraction, psiFromKPa } from "../quantity/index.ts";
import type { RunEventType, RunPlan } from "./event.ts";
import { stillShows } from "./judge.ts";
import { lighterThan } from "./look.ts";
import { zeroSign } from "./observation.ts";
import type { RunView } from "./fold.ts";
import { VENT_FALTERS } from "./rules.ts";

/** Returns which events a person may record next, in the order of the work; the first is the usual one. */
export function possibleNext(view: RunView): RunEventType[] {
  switch (view.phase) {
    case "warming":
      return view.burnerLitAt === null ? ["heat-on", "steam-steady"] : ["steam-steady", "heat-off"];
    case "venting":
      if (view.vent.doneAt !== null) return ["weight-on", "heat-off"];
      return view.vent.steadySince === null ? ["steam-steady", "heat-off"] : ["steam-faltered", "heat-off"];
    case "pressurising":
      return [
        "at-target",
        "weight-rocking",
        "jiggles",
        "reading",
        "too-high",
        "below-target",
        "weight-quiet",
        "heat-off",
      ];
    case "processing":
      return view.completedAt !== null
        ? ["heat-off", "reading", "at-target", "weight-rocking", "jiggles", "too-high"]
        : [
            "at-target",
            "weight-rocking",
            "jiggles",
            "below-target",
            "weight-quiet",
            "too-high",
            "reading",
            "heat-off",
          ];
    case "cooling": {
      const signs: RunEventType[] = [];
      if (view.zeroAt === null) signs.push("pressure-zero");
      if (view.lockDownAt === null) signs.push("lock-down");
      if (signs.length === 0) signs.push("weight-off");
      if (view.completedAt === null) signs.push("heat-on");
      return [...signs, "reading"];
    }
    case "settling":
      return ["lid-off"];
    case "unloading":
      return ["container-out", "unloaded"];
    case "resting":
      return ["checked", "container-out"];
    default:
      return [];
  }
}

/**
 * Returns why an event may not be recorded now, as a sentence; null when it may. The one guard before a run, asked by
 * the stove, paper records and programs; the fold accounts for whatever does arrive.
 *
 * @param weightKPa what the weight that goes on lifts at, kPa
 */
export function whyNot(view: RunView, type: RunEventType, plan?: RunPlan, weightKPa?: number): string | null {
  if (ALWAYS.includes(type)) return null;
  if (type === "weight-on" && plan && lighterThan(plan, weightKPa))
    return `That weight lets go at ${pounds(weightKPa!)} lb and this load needs ${pounds(plan.weightKPa!)} lb: it would never be hot enough. Put the right one on.`;
  if (type === "abort") {
    return ["resting", "checked", "aborted"].includes(view.phase)
      ? "This run is over and cannot be stopped any more."
      : null;
  }
  if (type === "reading" && plan?.dial?.standing === "none")
    return "This canner has no dial to read. Record whether the weight rocks.";
  if (type === "reading")
    return view.phase === "checked" || view.phase === "aborted" ? "This run is over." : null;
  if (type === "pressure-zero" && view.phase === "cooling" && plan) {
    const shown = stillShows(plan, view.aside, view.seen, view.now);
    if (shown)
      return `Not yet: ${shown.instrument} shows ${formatFraction(psiFromKPa(shown.kPa), 1)} lb. Wait until it reads zero, or stop using it.`;
  }
  // Said twice, by two people or by one who did not see the first: the first stands.
  if ((type === "pressure-zero" || type === "lock-down") && view.phase === "cooling") return null;
  if (type === "weight-on" && view.phase === "venting" && view.vent.doneAt === null) {
    if (view.ventDueAt === null) return `Steam is not steady. ${VENT_FALTERS}`;
    return `Not yet: ${formatDuration((view.ventDueAt - view.now) / 1000)} of steady steam to go before the weight goes on.`;
  }
  if (
    type === "weight-off" &&
    view.phase === "cooling" &&
    (view.zeroAt === null || view.lockDownAt === null)
  ) {
    const missing = [
      view.zeroAt === null ? zeroSign(plan) : "",
      view.lockDownAt === null ? "the lock has dropped" : "",
    ];
    return `Leave the weight on until ${missing.filter(Boolean).join(" and ")}.`;
  }
  if (type === "lid-off" && view.phase === "settling" && view.now < view.lidAt!) {
    return `Leave the lid for ${formatDuration((view.lidAt! - view.now) / 1000)} more.`;
  }
  if (type === "checked" && view.phase === "resting" && view.now < view.checkAt!) {
    return `They rest ${formatDuration((view.checkAt! - view.now) / 1000)} more before anyone checks a seal.`;
  }
  if (possibleNext(view).includes(type)) return null;
  return `That does not fit: the run is ${PHASE_WORDS[view.phase]}.`;
}

/**
 * Returns why a load may not be taken out of its canner as if it had never been in it, as a sentence; null while
 * nothing has heated it.
 */
export function whyNotTakenOut(view: RunView): string | null {
  if (view.phase === "warming" && view.burnerLitAt === null) return null;
  return view.phase === "aborted"
    ? "This run is over."
    : "The burner was lit. Run this load to its end, or stop it and decide about each jar.";
}

/**
 * Returns why an event may not be undone, as a sentence; null when it may. A run that was given up, or whose heat went
 * off early, does not come back once its containers were decided on or filled again: they would count twice.
 *
 * @param type what is to be undone
 * @param decided how many of its containers were decided on, or are in another pack or run
 */
export function whyNotUndone(type: RunEventType, decided: number): string | null {
  if (type.startsWith("clock-")) return "What was noted of the clock cannot be undone.";
  if ((type !== "abort" && type !== "heat-off") || decided === 0) return null;
  return `${decided === 1 ? "One container" : `${decided} containers`} of this run were decided about since. It cannot be undone.`;
}

const pounds = (kPa: number) => Math.round(psiFromKPa(kPa));
const ALWAYS: readonly RunEventType[] = [
  "note",
  "handover",
  "correction",
  "confirmed",
  "silence",
  "gauge-aside",
];

const PHASE_WORDS: Record<RunView["phase"], string> = {
  warming: "warming up",
  venting: "venting",
  pressurising: "coming up to pressure",
  processing: "at pressure",
  cooling: "cooling down",
  settling: "standing with the weight off",
  unloading: "being unloaded",
  resting: "resting on the towel",
  checked: "checked and done",
  aborted: "stopped",
};
