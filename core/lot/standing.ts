import type { ThawMethod } from "../cold/index.ts";
import type { LotForm } from "../species/index.ts";

/** Where a lot is kept. `thawing` is on its way from the freezer to the fridge. */
export const KEPT = ["fridge", "freezer", "thawing"] as const;
export type Kept = (typeof KEPT)[number];

/** What a lot went through besides being cut. */
export const TREATMENTS = ["trim", "cook", "brine", "smoke"] as const;
export type Treatment = (typeof TREATMENTS)[number];

export interface ThawInHand {
  method: ThawMethod;
  thickM: number;
  /** when it is to be taken out, or was, ms */
  startAt: number;
  /** when it should be ready: an estimate, ms */
  readyAt: number;
  begun: boolean;
}

/** How a lot stands: what its events made of it. */
export interface LotState {
  form: LotForm;
  kept: Kept;
  /** shelf, drawer or box it lies in; null when nobody said */
  place: string | null;
  /** when it was last frozen and has not been thawed since; null otherwise */
  frozenAt: number | null;
  thaw: ThawInHand | null;
  treatments: Treatment[];
  /** in the refrigerator: until when it may be canned, ms; null while it is frozen or thawing */
  freshUntil: number | null;
  /** frozen: what was left of that when it was frozen, ms; null otherwise */
  freshLeftMs: number | null;
  /** warm time counts from here, ms: the cut, or what somebody said about the log; null for the cut */
  warmFrom: number | null;
  /** everything that events added and took away, kg */
  changeKg: number;
  /** the latest instant known of it, ms */
  lastAt: number;
}
