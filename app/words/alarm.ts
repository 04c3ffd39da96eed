import type { Alarm } from "#core/run";
import { VENT_TIME } from "./safety";

/** An alarm in two or three words. */
export const ALARM_WORDS: Record<Alarm, string> = {
  "over-pressure": "Over the limit",
  "below-target": "Too low",
  unwatched: "Check the gauge",
  "vent-done": "Venting done",
  "process-done": "Time is up: turn the heat off",
  "pressure-down": "Pressure is down",
  "lid-time": "Lid may come off",
  "check-time": "Seals may be checked",
};

/** What somebody does about an alarm: answering it is saying which. */
export const ANSWERS: Record<Alarm, readonly string[]> = {
  "over-pressure": ["Heat is turned down", "Keeping everyone away"],
  "below-target": ["Flame is up", "Shielding it from the wind", "Changing the gas"],
  unwatched: ["On my way"],
  "vent-done": ["Fetching the weight"],
  "process-done": ["On my way"],
  "pressure-down": ["On my way"],
  "lid-time": ["It can wait"],
  "check-time": ["Later today"],
};

/** What is wrong, as a sentence. @param pressure the least that must be shown, with its unit */
export const ALARM_SAID: Record<Alarm, (pressure: string, minutes: number) => string> = {
  "over-pressure": () => "Pressure over the canner's limit.",
  "below-target": (pressure) => `Pressure below ${pressure}.`,
  unwatched: () => "Nobody has checked the pressure for too long.",
  "vent-done": () => `The ${VENT_TIME} of venting are over.`,
  "process-done": (_, minutes) => `The ${minutes} minutes are up.`,
  "pressure-down": () => "Pressure is down.",
  "lid-time": () => "The 10-minute wait is over.",
  "check-time": () => "The rest is over.",
};

/** What to do about it. */
export const ALARM_DO: Record<Alarm, string> = {
  "over-pressure": "Turn the heat down. Keep away from the lid.",
  "below-target": "Turn the heat up.",
  unwatched: "Check the pressure.",
  "vent-done": "Put the weight on.",
  "process-done": "Turn the heat off.",
  "pressure-down": "Check the lock, then take the weight off.",
  "lid-time": "Open the lid, away from your face.",
  "check-time": "Check the seals.",
};
