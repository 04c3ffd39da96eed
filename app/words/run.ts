import { type Sort } from "./container";
import { type Due } from "#core/agenda";
import { checkItem, type CheckKey } from "#core/check";
import { countOf, formatDuration, formatPressure, formatTemperature, type UnitSystem } from "#core/quantity";
import {
  type Alarm,
  type Deviation,
  type RunEvent,
  type RunEventType,
  type RunPlan,
  type RunView,
  type Siphoned,
} from "#core/run";
import { clockSeconds, clockTime } from "./time";

/** What a person would say has happened, for the list of events and the buttons. */
export const EVENT_WORDS: Record<RunEventType, string> = {
  "heat-on": "Burner lit",
  "steam-steady": "Steam is steady",
  "steam-faltered": "Steam faltered",
  "weight-on": "Weight on",
  reading: "Reading",
  "at-target": "At target",
  "below-target": "Pressure dropped",
  "too-high": "Too high",
  "weight-rocking": "Weight rocking",
  "weight-quiet": "Weight quiet",
  jiggles: "Weight rocking",
  "gauge-aside": "Gauge set aside",
  "heat-off": "Heat off",
  "pressure-zero": "Gauge at zero",
  "lock-down": "Lock has dropped",
  "weight-off": "Weight off",
  "lid-off": "Lid off",
  "container-out": "Out of the canner",
  unloaded: "On the towel",
  checked: "Seals checked",
  abort: "Given up",
  note: "Note",
  handover: "Handed over",
  confirmed: "Looked at",
  silence: "Alarm answered",
  correction: "Correction",
};

/** An alarm in two or three words. */
export const ALARM_WORDS: Record<Alarm, string> = {
  "over-pressure": "Over the limit",
  "below-target": "Too low",
  unwatched: "Nobody looks",
  "vent-done": "Vented",
  "process-done": "Time is up: turn the heat off",
  "pressure-down": "Pressure is down",
  "lid-time": "Lid may come off",
  "check-time": "Seals may be checked",
};

/** What somebody does about an alarm: answering it is saying which. */
export const ANSWERS: Record<Alarm, readonly string[]> = {
  "over-pressure": ["Heat is turned down", "Keeping everyone away"],
  "below-target": ["Flame is up", "Shielding it from the wind", "Changing the gas"],
  unwatched: ["Coming to look"],
  "vent-done": ["Fetching the weight"],
  "process-done": ["Going to turn it off"],
  "pressure-down": ["Going to look at the lock"],
  "lid-time": ["It may stand longer"],
  "check-time": ["Later today"],
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
  settling: "Weight off, lid on",
  unloading: "Unloading",
  resting: "On the towel",
  checked: "Checked",
  aborted: "Given up",
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
  zone: string,
  sort: Sort = "both",
): { title: string; why: string } {
  const floor = formatPressure(plan.floorKPa, units);
  switch (due.task) {
    case "light":
      return { title: "Light the burner", why: `Water in, ${SORT_WORDS[sort]} in, lid locked, vent open.` };
    case "steam":
      return {
        title: "Watch for steady steam from the vent",
        why: "When it streams out without spitting, say so: the 10 minutes count from then.",
      };
    case "steam-again":
      return {
        title: "Bring the steam back",
        why: `When steam is steady again, the ${plan.ventMinutes} minutes start over.`,
      };
    case "weight-on":
      return {
        title:
          view.vent.doneAt !== null ? "Put the weight on now" : `Weight on at ${clockSeconds(due.at!, zone)}`,
        why: plan.minBurnerToVentEndMinutes
          ? `Quart fish: ten minutes of steam, and at least ${plan.minBurnerToVentEndMinutes} minutes from lighting the burner.`
          : "When it has steamed for the full 10 minutes. If it sputters, say so: the 10 minutes start over.",
      };
    case "reach-target":
      return {
        title: `Bring it up to ${floor}`,
        why: `The ${plan.minutes} minutes begin at the first reading of ${floor} or more.`,
      };
    case "regain-target":
      return {
        title: `Bring it back to ${floor}`,
        why: `The full ${plan.minutes} minutes start again from the first reading at ${floor}.`,
      };
    case "heat-off":
      return view.completedAt !== null
        ? {
            title: "Turn the heat off",
            why: `The full ${plan.minutes} minutes are up. Leave the canner where it is.`,
          }
        : {
            title: `Heat off at ${clockTime(due.at!, zone)}`,
            why: `Hold it at ${aimWords(plan, units)}. If it falls below, the full ${plan.minutes} minutes start again.`,
          };
    case "zero":
      return {
        title: "Wait for zero and the lock",
        why: "Touch nothing until the gauge reads zero and the lock has dropped. Never cool it by force.",
      };
    case "weight-off":
      return {
        title: "Nudge the weight; no steam, take it off",
        why: "Then ten minutes with the weight off before the lid.",
      };
    case "lid-off":
      return {
        title:
          due.at !== null && view.now >= due.at ? "Lift the lid, away from your face" : "Leave the lid on",
        why: "Ten minutes with the weight off.",
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
export function restartWords(view: RunView, plan: RunPlan, units: UnitSystem, zone: string): string | null {
  const lost = [...view.attempts]
    .reverse()
    .find((a) => a.endedBy === "below-target" || a.endedBy === "gauge-aside");
  if (!lost) return null;
  if (lost.endedBy === "gauge-aside" && lost === view.attempts.at(-1))
    return `Only the gauge that was set aside saw it at target, so the full ${plan.minutes} minutes start again when another does.`;
  const floor = formatPressure(plan.floorKPa, units);
  const read = lost.endedAtKPa === undefined ? "" : ` (${formatPressure(lost.endedAtKPa, units)})`;
  const start = `Pressure was below ${floor}${read} at ${clockTime(lost.endedAt!, zone)}, so the full ${plan.minutes} minutes`;
  if (view.finishAt === null) return `${start} start again when it is back at ${floor}.`;
  const again = view.attempts.at(-1)!;
  return `${start} began again at ${clockTime(again.startedAt, zone)}. Off the heat at ${clockTime(view.finishAt, zone)}.`;
}

/** A deviation in a sentence. */
export function deviationWords(d: Deviation, plan: RunPlan, units: UnitSystem, zone: string): string {
  const at = clockTime(d.at, zone);
  const read = d.gaugeKPa === undefined ? "" : ` (${formatPressure(d.gaugeKPa, units)})`;
  switch (d.kind) {
    case "below-target":
      return `${at}: pressure below ${formatPressure(plan.floorKPa, units)}${read}. The timer started over.`;
    case "unwatched":
      return `${at}: nobody looked for ${formatDuration(((d.until ?? d.at) - d.at) / 1000)}; up to ${formatDuration(plan.unwatchedLimitS)} is watched time.`;
    case "wrong-weight":
      return `${at}: a weight for ${formatPressure(d.gaugeKPa ?? 0, units)} was put on; this load needs ${formatPressure(plan.weightKPa ?? plan.floorKPa, units)}. It counts as none.`;
    case "gauges-disagree":
      return `${at}: two gauges disagree, ${formatPressure(d.gaugeKPa ?? 0, units)} and ${formatPressure(d.otherKPa ?? 0, units)}. For the food the lower counts, for the lid the higher.`;
    case "gauge-aside":
      return `${at}: nobody goes by ${d.text ?? "a gauge"} any more.`;
    case "over-pressure":
      return `${at}: over the canner's limit of ${formatPressure(plan.safeMaxKPa, units)}${read}.`;
    case "weight-on-early":
      return `${at}: weight on before the full ${plan.ventMinutes} minutes of steam; air was still inside.`;
    case "ended-early":
      return `${at}: heat off before the full ${plan.minutes} minutes. This load is not processed.`;
    case "weight-off-early":
      return `${at}: weight taken off before the gauge read zero and the lock had dropped.`;
    case "lid-off-early":
      return `${at}: lid off before ${plan.settleMinutes} minutes with the weight off.`;
    case "lid-off-late":
      return `${at}: lid off more than an hour after the wait. Watch for flat-sour spoilage: sour, without gas.`;
    case "aborted":
      return `${at}: run given up${d.text ? `: ${d.text}` : ""}. This load is not processed.`;
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
      return `No longer goes by ${e.source ?? "a gauge"}`;
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
      return `${formatPressure(e.gaugeKPa, units)}${e.source ? ` by ${e.source}` : ""}`;
    }
  }
}

/** What was looked at before a run: `14 things looked at before lighting, all sound.` */
export function lookedAt(checks: readonly { finding: "sound" | "bad"; item: CheckKey }[]): string {
  if (checks.length === 0) return "Lit without the equipment check.";
  const bad = checks.filter((c) => c.finding === "bad");
  const what = `${countOf(checks.length, "thing")} looked at before lighting`;
  return bad.length === 0
    ? `${what}; none of those was found bad.`
    : `${what}; not sound: ${bad.map((c) => checkItem(c.item).name.toLowerCase()).join(", ")}.`;
}
