import { formatMass, formatVolume, formatDuration, type UnitSystem } from "#core/quantity";
import { brineWords, type LotEvent } from "#core/lot";
import { thawMethodName } from "#core/cold";
import type { LotForm } from "#core/species";

/** How much of a lot there is: by weight, and broth by volume. */
export function lotAmount(form: LotForm, kg: number, units: UnitSystem): string {
  return form === "broth" ? formatVolume(kg, units) : formatMass(kg, units);
}

/** `fridge`, `freezer: Chest, left`, `thawing`. */
export function keptWords(kept: "fridge" | "freezer" | "thawing", place: string | null): string {
  return place ? `${kept}: ${place}` : kept;
}

const CHANGED = { trim: "Trimmed", cook: "Cooked", brine: "Brined", smoke: "Smoked", weigh: "Weighed again" };
const LEFT = { eat: "Eaten", give: "Given away", discard: "Thrown out" };

/** What happened to a lot, as one line. */
export function lotEventWords(event: LotEvent, units: UnitSystem, when: (at: number) => string): string {
  switch (event.kind) {
    case "freeze":
      return `Frozen${event.place ? `, ${event.place}` : ""}.`;
    case "thaw-plan":
      return `To be taken out ${when(event.startAt)}, ready about ${when(event.readyAt)}, ${thawMethodName(event.method)}.`;
    case "thaw-start":
      return `Taken out to thaw ${thawMethodName(event.method)}; ready about ${when(event.readyAt)}.`;
    case "thaw-done":
      return "Thawed to the middle.";
    case "account":
      return event.of === "warm"
        ? `Temperature log corrected: ${event.reason}`
        : `In the refrigerator only since ${when(event.since!)}: ${event.reason}`;
    case "move":
      return event.place ? `Moved to ${event.place}.` : "Moved.";
    case "trim":
    case "cook":
    case "brine":
    case "smoke":
    case "weigh":
      return `${CHANGED[event.kind]}${"brine" in event && event.brine ? ` ${brineWords(event.brine)}` : ""}: ${formatMass(event.beforeKg, units)} to ${formatMass(event.afterKg, units)}.`;
    case "eat":
    case "give":
    case "discard":
      return `${LEFT[event.kind]}: ${formatMass(event.massKg, units)}${event.to ? `, ${event.to}` : ""}.`;
    case "undo":
      return "The last entry was undone.";
  }
}

/** `1 year 40 days`, `3 days`: an age that is read at a glance. */
export function ageWords(days: number): string {
  if (days < 1) return "today";
  if (days < 60) return days === 1 ? "1 day" : `${days} days`;
  if (days < 365) return `${Math.floor(days / 30.44)} months`;
  const years = Math.floor(days / 365);
  const months = Math.floor((days - years * 365) / 30.44);
  return `${years} year${years > 1 ? "s" : ""}${months ? ` ${months} month${months > 1 ? "s" : ""}` : ""}`;
}

/** Hours as people say them: `36 h`, `about 2 days`. */
export function hoursWords(hours: number): string {
  return hours < 48 ? formatDuration(Math.round(hours * 4) * 900) : `about ${Math.round(hours / 24)} days`;
}
