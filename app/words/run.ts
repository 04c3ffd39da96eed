import type { Sort } from "./container";
import type { Due } from "#core/agenda";
import { checkItem, type CheckKey } from "#core/check";
import { countOf, formatDuration, formatPressure, formatTemperature, type UnitSystem } from "#core/quantity";
import {
  type Deviation,
  type RunEvent,
  type RunEventType,
  type RunPlan,
  type RunView,
  type Siphoned,
  type Standing,
  VENT_FALTERS,
  governsNow,
  hasDial,
  zeroSign,
  totalMinutes,
} from "#core/run";
import { ALARM_WORDS } from "./alarm";
import { clockSeconds, clockTime, type Times } from "./time";
import { OPEN_LID_LATER, VENT_TIME, WAIT_TIME } from "./safety";

/** `75 min`, or with what the household adds `75 + 5 = 80 min (your choice)`. */
export const minutesWords = (
  plan: Pick<RunPlan, "minutes" | "extraMinutes">,
  unit: "min" | "minutes" = "min",
): string =>
  plan.extraMinutes
    ? `${plan.minutes} + ${plan.extraMinutes} = ${totalMinutes(plan)} ${unit} (your choice)`
    : `${plan.minutes} ${unit}`;

/** The minutes that were run to their end: without the added ones where those were cut short. */
export const servedMinutes = (view: Pick<RunView, "deviations" | "completedAt">, plan: RunPlan): number =>
  view.deviations.some((d) => d.kind === "extra-cut" && d.at === view.completedAt)
    ? plan.minutes
    : totalMinutes(plan);

/** What a person would say has happened, for the list of events and the buttons. */
export const EVENT_WORDS: Record<RunEventType, string> = {
  "heat-on": "Burner lit",
  "steam-steady": "Steam is steady",
  "steam-faltered": "Steam is not steady",
  "weight-on": "Weight on",
  reading: "Reading",
  "at-target": "At pressure",
  "below-target": "Pressure dropped",
  "too-high": "Dangerously high",
  "weight-rocking": "Weight rocking",
  "weight-quiet": "Weight stopped rocking",
  jiggles: "Weight rocking",
  "gauge-aside": "Gauge out of service",
  "clock-step": "Clock of the machine was set",
  "clock-unknown": "Time unknown",
  "clock-known": "Time confirmed",
  "heat-off": "Heat off",
  "pressure-zero": "Pressure is down",
  "lock-down": "Lock has dropped",
  "weight-off": "Weight off",
  "lid-off": "Lid off",
  "container-out": "Out of the canner",
  unloaded: "On the towel",
  checked: "Seals checked",
  abort: "Stopped",
  note: "Note",
  handover: "Handed over",
  confirmed: "Looked at",
  silence: "Alarm silenced",
  correction: "Correction",
};

const SIPHON_WORDS: Record<Siphoned, string> = {
  none: "full",
  some: "lost some liquid",
  half: "lost half or more of its liquid",
};

/** Where a run is, in two or three words. */
export const PHASE_WORDS: Record<RunView["phase"], string> = {
  warming: "Warming up",
  venting: "Venting",
  pressurising: "Coming up to pressure",
  processing: "At pressure",
  cooling: "Cooling down",
  settling: `Wait ${WAIT_TIME} before opening`,
  unloading: "Unloading",
  resting: "On the towel",
  checked: "Checked",
  aborted: "Stopped",
};

const SORT_WORDS: Record<Sort, string> = { jars: "jars", cans: "cans", both: "containers" };
const CHECK_BY: Record<Sort, string> = {
  jars: "press each lid once",
  cans: "look at both ends and the seams of each can",
  both: "check each lid, and both ends of each can",
};

/** A task as an instruction and, beneath it, why or what then. */
export function taskWords(
  due: Due,
  view: RunView,
  plan: RunPlan,
  units: UnitSystem,
  times: Times,
  sort: Sort = "both",
): { title: string; why: string } {
  const floor = formatPressure(plan.floorKPa, units);
  const byWeight = governsNow(plan, view.aside) === "weighted";
  switch (due.task) {
    case "light":
      return { title: "Light the burner", why: `Water in, ${SORT_WORDS[sort]} in, lid locked, vent open.` };
    case "steam":
      return {
        title: "Watch for steady steam from the vent",
        why: `When it flows without spitting, tap “Steam is steady”. The ${VENT_TIME} start then.`,
      };
    case "steam-again":
      return {
        title: "Bring the steam back",
        why: VENT_FALTERS,
      };
    case "weight-on":
      return {
        title:
          view.vent.doneAt !== null
            ? "Put the weight on now"
            : `Weight on at ${clockSeconds(due.at!, times)}`,
        why: plan.minBurnerToVentEndMinutes
          ? `Quart fish: ${VENT_TIME} of steam, and at least ${plan.minBurnerToVentEndMinutes} minutes from lighting the burner.`
          : `When it has steamed for the full ${VENT_TIME}. ${VENT_FALTERS}`,
      };
    case "reach-target":
      return {
        title: `Bring it up to ${floor}`,
        why: byWeight
          ? `The ${totalMinutes(plan)} minutes begin when the ${floor} weight rocks.`
          : `The ${totalMinutes(plan)} minutes begin at the first reading of ${floor} or more.`,
      };
    case "regain-target":
      return {
        title: `Bring it back to ${floor}`,
        why: byWeight
          ? `The full ${totalMinutes(plan)} minutes start again when the ${floor} weight rocks.`
          : `The full ${totalMinutes(plan)} minutes start again from the first reading at ${floor}.`,
      };
    case "heat-off":
      return view.completedAt !== null
        ? {
            title: "Turn the heat off",
            why: `The full ${servedMinutes(view, plan)} minutes are up. Leave the canner where it is.`,
          }
        : {
            title: `Heat off at ${clockTime(due.at!, times)}`,
            why: view.scheduleDone
              ? `The scheduled ${plan.minutes} minutes are complete. These are your extra minutes: hold it at ${aimWords(plan, units)}.`
              : `Hold it at ${aimWords(plan, units)}. If it falls below, the full ${totalMinutes(plan)} minutes start again.`,
          };
    case "zero":
      return {
        title: hasDial(plan) ? "Wait for zero and the lock" : "Wait for no steam and the lock",
        why: `Leave it alone until ${zeroSign(plan)} and the lock has dropped. Do not speed up the cooling.`,
      };
    case "weight-off":
      return {
        title: "Nudge the weight; no steam, take it off",
        why: OPEN_LID_LATER,
      };
    case "lid-off":
      return {
        title:
          due.at !== null && view.now >= due.at ? "Lift the lid, away from your face" : "Leave the lid on",
        why: OPEN_LID_LATER,
      };
    case "unload":
      return {
        title: `Lift the ${SORT_WORDS[sort]} straight up onto a towel`,
        why: "Not tilted, a hand's width apart, out of the draft.",
      };
    case "check":
      return {
        title: "Check the seals",
        why: `${plan.restHours} hours untouched, then ${CHECK_BY[sort]}.`,
      };
  }
}

/** The pressure to hold, with the margin chosen above the floor. */
export function aimWords(plan: RunPlan, units: UnitSystem): string {
  const floor = formatPressure(plan.floorKPa, units);
  return plan.marginKPa
    ? `${formatPressure(plan.floorKPa + plan.marginKPa, units)}, never below ${floor}`
    : `${floor} or just above`;
}

/** One sentence on a restart: when, how low, and what follows. */
export function restartWords(view: RunView, plan: RunPlan, units: UnitSystem, times: Times): string | null {
  const lost = [...view.attempts]
    .reverse()
    .find((a) => a.endedBy === "below-target" || a.endedBy === "gauge-aside");
  if (!lost) return null;
  if (lost.endedBy === "gauge-aside" && lost === view.attempts.at(-1))
    return `Only the gauge you stopped using showed enough pressure. The full ${totalMinutes(plan)} minutes start over when another one does.`;
  const floor = formatPressure(plan.floorKPa, units);
  const read = lost.endedAtKPa === undefined ? "" : ` (${formatPressure(lost.endedAtKPa, units)})`;
  const start = `Pressure was below ${floor}${read} at ${clockTime(lost.endedAt!, times)}, so the full ${totalMinutes(plan)} minutes`;
  if (view.finishAt === null) return `${start} start again when it is back at ${floor}.`;
  const again = view.attempts.at(-1)!;
  return `${start} started over at ${clockTime(again.startedAt, times)}. Turn heat off at ${clockTime(view.finishAt, times)}.`;
}

/** How far an instrument is relied on, after its name: `the dial, tested: reads ½ lb high`. */
export function standingWords(standing: Standing, errorKPa: number | null, units: UnitSystem): string {
  const off = errorKPa
    ? `reads ${formatPressure(Math.abs(errorKPa), units)} ${errorKPa > 0 ? "high" : "low"}`
    : "reads true";
  switch (standing) {
    case "tested":
      return `tested, ${off}`;
    case "signed":
      return "test overdue, used with a signed reason";
    case "sends":
      return "sends readings; no test of it is kept here";
    case "weight":
      return "rocks at its own pressure";
    case "overdue":
      return "not relied on: its test is overdue";
    case "untested":
      return "not relied on: never tested";
    case "replace":
      return `not relied on: ${off}, must be replaced`;
    case "none":
      return "this canner has none";
    case "out-of-service":
      return "out of service";
  }
}

/** What stands where a gauge looks for the people: which, and that nothing is to be pressed. */
export function watchedWords(by: readonly string[], phase: RunView["phase"], plan: RunPlan): string {
  const who = by.join(" and ");
  const name = who.charAt(0).toUpperCase() + who.slice(1);
  const send = by.length === 1 ? "sends" : "send";
  return phase === "processing"
    ? `${name} ${send} the pressure. Nothing to press while it holds.`
    : `${name} ${send} the pressure. The ${totalMinutes(plan)} minutes start by themselves when it is high enough.`;
}

/**
 * Where something was heard later than it happened: by whose clock it is known, and when it was heard; null where both are
 * the same. @param zone of the clock times
 */
export function heardWords(
  e: Pick<RunEvent, "knownBy" | "heardAt" | "claimedAt">,
  times: Times,
): string | null {
  const heard = e.heardAt === undefined ? "" : `heard at ${clockSeconds(e.heardAt, times)}`;
  if (e.knownBy === "doubted")
    return `the device’s clock, which is doubted, said ${e.claimedAt === undefined ? "something else" : clockSeconds(e.claimedAt, times)}`;
  if (e.knownBy === "device") return ["by this device’s clock", heard].filter(Boolean).join(", ");
  return heard || null;
}

/** Times in which nothing was seen: `14:02 to 14:12 (10 min)`, one after another; null when there were none. */
export function unobservedWords(spans: readonly { from: number; to: number }[], times: Times): string | null {
  if (spans.length === 0) return null;
  const each = spans.map(
    (t) =>
      `${clockTime(t.from, times)} to ${clockTime(t.to, times)} (${formatDuration((t.to - t.from) / 1000)})`,
  );
  return each.join(", ");
}

/** A deviation in a sentence. */
export function deviationWords(d: Deviation, plan: RunPlan, units: UnitSystem, times: Times): string {
  const at = clockTime(d.at, times);
  const read = d.gaugeKPa === undefined ? "" : ` (${formatPressure(d.gaugeKPa, units)})`;
  switch (d.kind) {
    case "below-target":
      return `${at}: pressure below ${formatPressure(plan.floorKPa, units)}${read}. The timer started over.`;
    case "unwatched":
      return `${at}: not observed for ${formatDuration(((d.until ?? d.at) - d.at) / 1000)}, longer than the ${formatDuration(plan.unwatchedLimitS)} this household allows.`;
    case "wrong-weight":
      return `${at}: a weight for ${formatPressure(d.gaugeKPa ?? 0, units)} was put on; this load needs ${formatPressure(plan.weightKPa ?? plan.floorKPa, units)}. It counts as none.`;
    case "gauges-disagree":
      return `${at}: two gauges disagree, ${formatPressure(d.gaugeKPa ?? 0, units)} and ${formatPressure(d.otherKPa ?? 0, units)}. For the food the lower counts, for the lid the higher.`;
    case "gauge-aside":
      return `${at}: out of service: ${d.text ?? "a gauge"}.`;
    case "over-pressure":
      return `${at}: over the canner's limit of ${formatPressure(plan.safeMaxKPa, units)}${read}.`;
    case "weight-on-early":
      return `${at}: weight on before the full ${plan.ventMinutes} minutes of steam; air was still inside.`;
    case "ended-early":
      return `${at}: heat off before the full ${plan.minutes} minutes. This load is not processed.`;
    case "extra-cut":
      return `${at}: the ${plan.minutes} scheduled minutes were complete; not all of the ${plan.extraMinutes} extra minutes were run. This load is processed.`;
    case "weight-off-early":
      return `${at}: weight taken off before the pressure was down and the lock had dropped.`;
    case "lid-off-early":
      return `${at}: lid off before ${plan.settleMinutes} minutes with the weight off.`;
    case "lid-off-late":
      return `${at}: lid off more than an hour after the wait. Watch for flat-sour spoilage: sour, without gas.`;
    case "aborted":
      return `${at}: run stopped${d.text ? `: ${d.text}` : ""}. This load is not processed.`;
    case "clock-step":
      return `${at}: the machine's clock was set ${formatDuration(Math.abs(d.stepMs ?? 0) / 1000)} ${(d.stepMs ?? 0) > 0 ? "forward" : "back"}. That is not process time: the run goes on by what really passed.`;
    case "clock-unknown":
      return `${at}: nobody could tell the time after a power cut. Nothing counted until it was confirmed.`;
    case "out-of-place":
      return `${at}: “${EVENT_WORDS[d.text as RunEventType] ?? d.text}” did not fit where the run was.`;
  }
}

/** One line of the log. */
export function eventWords(e: RunEvent, units: UnitSystem): string {
  return `${whatHappened(e, units)}${e.text && e.type !== "confirmed" ? `: ${e.text}` : ""}`;
}

function whatHappened(e: RunEvent, units: UnitSystem): string {
  switch (e.type) {
    case "jiggles":
      return `Weight rocks ${countOf(e.perMinute ?? 0, "time")} a minute`;
    case "gauge-aside":
      return `Out of service: ${e.source ?? "a gauge"}`;
    case "weight-on":
      return e.weightKPa === undefined ? "Weight on" : `${formatPressure(e.weightKPa, units)} weight on`;
    case "container-out":
      return `${e.container ?? "A container"} out${e.siphoned ? `, ${SIPHON_WORDS[e.siphoned]}` : ""}`;
    case "confirmed":
      return `Looked at: ${e.text ?? e.asked ?? ""}`;
    case "silence":
      return `${e.alarm ? ALARM_WORDS[e.alarm] : "Alarm"} answered`;
    default: {
      if (e.gaugeKPa === undefined)
        return e.tempC === undefined ? EVENT_WORDS[e.type] : formatTemperature(e.tempC, units);
      if (e.source) return `${formatPressure(e.gaugeKPa, units)} by ${e.source}`;
      return e.type === "reading"
        ? `Dial read ${formatPressure(e.gaugeKPa, units)}`
        : formatPressure(e.gaugeKPa, units);
    }
  }
}

/** What was looked at before a run: `14 things looked at before lighting, all sound.` */
export function lookedAt(checks: readonly { finding: "sound" | "bad"; item: CheckKey }[]): string {
  if (checks.length === 0) return "Lit without the equipment check.";
  const bad = checks.filter((c) => c.finding === "bad");
  const what = `${countOf(checks.length, "thing")} looked at before lighting`;
  return bad.length === 0
    ? `${what}; all OK.`
    : `${what}; not OK: ${bad.map((c) => checkItem(c.item).name.toLowerCase()).join(", ")}.`;
}
