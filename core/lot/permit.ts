import type { SpeciesGroup } from "../species/index.ts";
import { SCALE_SLACK_KG } from "./balance.ts";
import { whyNotBrine } from "./brine.ts";
import type { LotEvent } from "./event.ts";
import { keepsUntil, refrigeratorDays } from "./fresh.ts";
import type { LotState } from "./standing.ts";

/** What a lot may be refused: the field to blame and a sentence for the person. */
export interface LotRefusal {
  field: "at" | "afterKg" | "massKg" | "thick" | "since" | "reason" | "minutes" | "";
  message: string;
}

/** Thinnest and thickest bag that makes sense, m. */
const THINNEST_M = 0.005;
const THICKEST_M = 0.4;

/**
 * Returns the field to correct and why, when something cannot have happened to a lot in its present state; null when
 * it can.
 *
 * Limits of weight and thickness are common practice, no source.
 * @param leftKg weight left of the lot, kg, ≥ 0
 * @param now ms since 1970 UTC
 */
export function whyNotLot(
  state: LotState,
  event: LotEvent,
  leftKg: number,
  now: number,
  group: SpeciesGroup,
): LotRefusal | null {
  const no = (message: string, field: LotRefusal["field"] = ""): LotRefusal => ({ field, message });
  if (event.at > now) return no("That time is in the future.", "at");
  if (event.at < state.lastAt)
    return no("That is before the last thing written down for this lot. When was it?", "at");
  if (event.kind === "undo")
    return leftKg + event.giveBackKg < 0
      ? no("Some of that weight has gone on since, so this cannot be undone. Weigh the lot again instead.")
      : null;
  if (leftKg <= 0) return no("Nothing is left of this lot.");
  switch (event.kind) {
    case "freeze":
      return state.kept === "freezer" ? no("This lot is in the freezer already.") : null;
    case "thaw-plan":
    case "thaw-start":
      if (state.kept === "thawing") return no("This lot is thawing already.");
      if (state.kept !== "freezer") return no("This lot is not frozen, so there is nothing to thaw.");
      if (!(event.thickM >= THINNEST_M && event.thickM <= THICKEST_M))
        return no("A bag is between 5 mm and 40 cm thick (¼ in to 16 in). Measure it flat.", "thick");
      if (event.kind === "thaw-plan" && event.startAt < now)
        return no(
          "To be ready then it would have had to come out already. Choose a later time, or start now.",
          "at",
        );
      return null;
    case "thaw-done":
      return state.kept === "thawing" ? null : no("This lot was not thawing.");
    case "trim":
    case "cook":
    case "smoke":
    case "brine":
    case "weigh":
      return whyNotWeighed(state, event, leftKg, group);
    case "eat":
    case "give":
    case "discard":
      if (!(event.massKg > 0)) return no("Weight must be more than 0.", "massKg");
      return event.massKg > leftKg + SCALE_SLACK_KG
        ? no("That is more than is left of the lot.", "massKg")
        : null;
    case "account":
      return whyNotAccount(state, event, no);
    case "move":
      return null;
  }
}

/** An account of where meat really was has a reason, and must make it fit to be canned: otherwise it changes nothing. */
function whyNotAccount(
  state: LotState,
  event: Extract<LotEvent, { kind: "account" }>,
  no: (message: string, field: LotRefusal["field"]) => LotRefusal,
): LotRefusal | null {
  if (!event.reason.trim()) return no("Write where it really was, or what is wrong with the log.", "reason");
  if (event.of === "warm") return null;
  if (state.kept !== "fridge") return no("It is not in the refrigerator, so its days are not counted.", "");
  if (event.since === null) return no("Since when has it been in the refrigerator?", "since");
  if (event.since > event.at) return no("That is later than now.", "since");
  const days = refrigeratorDays(state.form, state.treatments);
  return event.at > keepsUntil(event.since, state.form, state.treatments)
    ? no(`Counted from then it is past its ${days} days anyway. Do not can it.`, "since")
    : null;
}

/** Brine is taken up, at most about this much of the weight. Common practice, no source. */
const MOST_BRINE = 0.3;

function whyNotWeighed(
  state: LotState,
  event: Extract<LotEvent, { afterKg: number }>,
  leftKg: number,
  group: SpeciesGroup,
): LotRefusal | null {
  const { kind, afterKg } = event;
  const no = (message: string, field: LotRefusal["field"] = "afterKg"): LotRefusal => ({ field, message });
  if (!(afterKg > 0))
    return no("Weight must be more than 0. If nothing is left, say that it was thrown out.");
  if (kind !== "weigh" && state.kept === "freezer")
    return no("It is frozen. Thaw it first, then do this.", "");
  if (kind === "smoke" && group !== "fish")
    return no("Only fish has a tested process once it is smoked. Smoke game to eat, not to can.", "");
  if (kind === "smoke" && state.form === "smoked") return no("It is smoked already.", "");
  const brine = "brine" in event && event.brine ? whyNotBrine(event.brine) : null;
  if (brine) return no(brine, "minutes");
  const most = kind === "brine" ? leftKg * (1 + MOST_BRINE) : leftKg;
  if (kind !== "weigh" && afterKg > most + SCALE_SLACK_KG)
    return no(
      kind === "brine"
        ? "Brine does not add that much. Drain it and weigh again."
        : "It weighs more than before. Weigh again, or correct the lot's weight first.",
    );
  return null;
}
