import { MINUTE_MS } from "#core/quantity";

/** A clock of another device that is this near ours counts as ours, ms. */
const SAME_MS = 5_000;
/** A device's clock that is off by more when it delivers has contradicted itself since it was last compared, ms. */
const CONTRADICTS_MS = MINUTE_MS;

/** An instant as a device claims it. All ms since 1970 UTC. */
export interface Claim {
  at: number;
  /** the device's clock, as it compared it with ours before, when it delivered; null when it did not say */
  sentAt: number | null;
  /** our clock when it arrived */
  heardAt: number;
  /** the device saw its own clocks part (it slept, or its clock was set) and could not compare them with ours since */
  uncertain?: boolean;
}

/** How an instant is known. `device`: by the device's own clock, which agrees with ours; `doubted`: it does not. */
export type KnownBy = "device" | "doubted";

/** An instant to go by, and how it is known; without `by` it was heard as it happened. */
export interface Instant {
  at: number;
  by?: KnownBy;
}

/**
 * Returns the instant an event may count from, ms since 1970 UTC, and how it is known. A device that says what its
 * clock shows as it delivers is corrected by the difference. One that does not say, or whose clock contradicts itself,
 * is believed only for the instant of arrival.
 */
export function believedInstant(claim: Claim): Instant {
  const { at, sentAt, heardAt } = claim;
  if (sentAt === null)
    return Math.abs(heardAt - at) <= SAME_MS ? { at: Math.min(at, heardAt) } : doubted(heardAt);
  const off = heardAt - sentAt;
  // Said after it was delivered: the clock was set back in between.
  if (claim.uncertain || Math.abs(off) > CONTRADICTS_MS || at > sentAt + SAME_MS) return doubted(heardAt);
  // A few seconds are the way it took, and no fault of the clock.
  const corrected = Math.min(heardAt, Math.abs(off) <= SAME_MS ? at : at + off);
  return heardAt - corrected > SAME_MS ? { at: corrected, by: "device" } : { at: corrected };
}

const doubted = (heardAt: number): Instant => ({ at: heardAt, by: "doubted" });
