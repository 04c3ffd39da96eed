import { AsyncLocalStorage } from "node:async_hooks";
import { whyBeyondReach, type Attempt, type ReachOf } from "#core/guard";
import { Refused } from "./refused.ts";

/** What is known of whoever asks, beside the request itself. */
export interface Scope {
  /** the screen or instrument, as the history names it */
  device: string | null;
  /** for what was said on a screen that could not reach the larder then: when it was said, and when it was heard, ms */
  said: { at: number; heardAt: number } | null;
  /** how far whoever asks may go; none for the larder's own work, which may do everything */
  reach?: ReachOf;
  /** how whoever is at the screen is known there: by a PIN, or only chosen by name; none for a program */
  known?: "pin" | "chosen";
  /** it delivers what a screen kept: no page hears the answer */
  delivered?: boolean;
  /** hash of what was sent, without its key; none when it was no form */
  payload?: string;
  /** says something beside the answer itself, as a header of it */
  header?(name: string, value: string): void;
}

const scopes = new AsyncLocalStorage<Scope>();

/** Runs something on behalf of a device; what is written meanwhile carries the device's name. Returns its answer. */
export function onBehalfOf<T>(scope: Scope, work: () => T): T {
  return scopes.run(scope, work);
}

/** Returns what is known of whoever asks at the moment: device, payload, instants. Empty outside of a request. */
export function scopeNow(): Scope {
  return scopes.getStore() ?? { device: null, said: null };
}

/** Asks whether whoever asks may write this. Throws Refused (403) when they may not. */
export function refuseBeyondReach(attempt: Attempt): void {
  const { reach } = scopeNow();
  const why = reach ? whyBeyondReach(reach, attempt) : null;
  if (why) throw new Refused({ "": why }, 403);
}
