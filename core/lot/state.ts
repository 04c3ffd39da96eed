import type { LotForm } from "../species/index.ts";
import { changeKg, type LotEvent } from "./event.ts";
import { keepsAfterCooking, keepsUntil } from "./fresh.ts";
import type { LotState } from "./standing.ts";

/**
 * Returns the state of a lot that was just cut.
 *
 * @param place where it is kept; null when nobody said
 * @param madeAt ms since 1970 UTC
 * @param freshUntil until when it keeps in the refrigerator, ms since 1970 UTC; by its form from `madeAt` on when left
 *   out
 */
export function newLot(
  form: LotForm,
  kept: "fridge" | "freezer",
  place: string | null,
  madeAt: number,
  freshUntil: number = keepsUntil(madeAt, form, []),
): LotState {
  return {
    form,
    kept,
    place,
    frozenAt: kept === "freezer" ? madeAt : null,
    thaw: null,
    treatments: [],
    freshUntil: kept === "freezer" ? null : freshUntil,
    freshLeftMs: kept === "freezer" ? Math.max(0, freshUntil - madeAt) : null,
    warmFrom: null,
    changeKg: 0,
    lastAt: madeAt,
  };
}

/** What states written down before these were kept did not say. */
const NOT_KNOWN = { freshUntil: null, freshLeftMs: null, warmFrom: null };

/**
 * Until when thawed meat keeps: freezing stops its days and gives none. Thawed in cold water it is canned the same day.
 */
function thawedUntil(state: LotState, event: Extract<LotEvent, { kind: "thaw-done" }>): number {
  const until =
    state.freshLeftMs === null
      ? keepsUntil(event.at, state.form, state.treatments)
      : event.at + state.freshLeftMs;
  return state.thaw?.method === "cold-water" && event.dayEndsAt !== undefined
    ? Math.min(until, event.dayEndsAt)
    : until;
}

/**
 * Returns the state of a lot after one more event; the given state is not changed. Nothing is checked here:
 * `whyNotLot` does that.
 */
export function afterEvent(state: LotState, event: LotEvent): LotState {
  const next: LotState = {
    ...state,
    changeKg: state.changeKg + changeKg(event),
    lastAt: Math.max(state.lastAt, event.kind === "thaw-plan" ? state.lastAt : event.at),
  };
  switch (event.kind) {
    case "freeze":
      return {
        ...next,
        kept: "freezer",
        place: event.place,
        frozenAt: event.at,
        thaw: null,
        freshUntil: null,
        freshLeftMs: state.freshUntil === null ? state.freshLeftMs : Math.max(0, state.freshUntil - event.at),
      };
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
      return {
        ...next,
        kept: "fridge",
        place: null,
        frozenAt: null,
        thaw: null,
        freshLeftMs: null,
        freshUntil: thawedUntil(state, event),
      };
    case "move":
      return { ...next, place: event.place };
    case "smoke":
      return { ...next, form: "smoked", treatments: [...state.treatments, "smoke"] };
    case "account":
      return event.of === "warm"
        ? { ...next, warmFrom: event.at }
        : { ...next, freshUntil: keepsUntil(event.since!, state.form, state.treatments) };
    case "cook":
      return {
        ...next,
        treatments: [...state.treatments, "cook"],
        freshUntil: keepsAfterCooking(state.freshUntil, event.at),
      };
    case "trim":
    case "brine":
      return { ...next, treatments: [...state.treatments, event.kind] };
    case "undo":
      // The state before what is undone, with the weights as they add up now.
      return { ...NOT_KNOWN, ...event.state, changeKg: next.changeKg, lastAt: state.lastAt };
    default:
      return next;
  }
}
