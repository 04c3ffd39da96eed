import { type LotForm } from "../species/index.ts";
import { changeKg, type LotEvent } from "./event.ts";
import { type LotState } from "./standing.ts";

/** A lot as it came from the knife. */
export function newLot(
  form: LotForm,
  kept: "fridge" | "freezer",
  place: string | null,
  madeAt: number,
): LotState {
  return {
    form,
    kept,
    place,
    frozenAt: kept === "freezer" ? madeAt : null,
    thaw: null,
    treatments: [],
    changeKg: 0,
    lastAt: madeAt,
  };
}

/** The lot after one more event. Nothing is checked here: see `whyNotLot`. */
export function afterEvent(state: LotState, event: LotEvent): LotState {
  const next: LotState = {
    ...state,
    changeKg: state.changeKg + changeKg(event),
    lastAt: Math.max(state.lastAt, event.kind === "thaw-plan" ? state.lastAt : event.at),
  };
  switch (event.kind) {
    case "freeze":
      return { ...next, kept: "freezer", place: event.place, frozenAt: event.at, thaw: null };
    case "thaw-plan":
      return {
        ...next,
        thaw: {
          method: event.method,
          thickM: event.thickM,
          startAt: event.startAt,
          readyAt: event.readyAt,
          begun: false,
        },
      };
    case "thaw-start":
      return {
        ...next,
        kept: "thawing",
        thaw: {
          method: event.method,
          thickM: event.thickM,
          startAt: event.at,
          readyAt: event.readyAt,
          begun: true,
        },
      };
    case "thaw-done":
      return { ...next, kept: "fridge", place: null, frozenAt: null, thaw: null };
    case "move":
      return { ...next, place: event.place };
    case "smoke":
      return { ...next, form: "smoked", treatments: [...state.treatments, "smoke"] };
    case "trim":
    case "cook":
    case "brine":
      return { ...next, treatments: [...state.treatments, event.kind] };
    case "undo":
      // The state before what is undone, with the weights as they add up now.
      return { ...event.state, changeKg: next.changeKg, lastAt: state.lastAt };
    default:
      return next;
  }
}
