import type { Reach } from "#core/guard";
import { MINUTE_MS } from "#core/quantity";
import { refuseBeyondReach } from "#store/db";
import { hashOfCode, newOneTimeCode } from "../one-time-code";

/** A code is good for so long after it was shown. */
export const PAIRING_MS = 5 * MINUTE_MS;

interface Shown {
  /** who showed it, by their id */
  byId: string | null;
  /** how far the device may go that it lets in */
  may: Reach;
  until: number;
  used: boolean;
}
/** Codes by their hash. Only this process knows them: a restart makes them worthless, as five minutes do. */
const shown = new Map<string, Shown>();

/**
 * Makes a code that signs one device in, once. Whoever shows it is signed in already.
 *
 * @param byId who shows it
 * @param may how far the device may go
 * @param now ms since 1970 UTC
 * @returns the code as it is shown, `ABCD-EFGH`, and until when it is good
 */
export function newPairingCode(
  byId: string | null,
  may: Reach,
  now: number,
): { code: string; until: number } {
  refuseBeyondReach({ action: "access.pair" });
  for (const [hash, { until }] of shown) if (until + PAIRING_MS < now) shown.delete(hash);
  const code = newOneTimeCode();
  const until = now + PAIRING_MS;
  shown.set(hashOfCode(code), { byId, may, until, used: false });
  return { code, until };
}

/**
 * Uses a code up. Of two that come with the same one, the first is let in.
 *
 * @returns who showed it and how far the device may go, when it was good; otherwise why it was not, in words
 */
export function usePairingCode(code: string, now: number): { byId: string | null; may: Reach } | string {
  const known = shown.get(hashOfCode(code));
  if (!known) return "This is not a code that is shown now. Compare it with the screen that shows it.";
  if (known.used) return "This code was used already. Show a new one on the other screen.";
  if (known.until <= now) return "This code is older than 5 minutes. Show a new one on the other screen.";
  known.used = true;
  return { byId: known.byId, may: known.may };
}
