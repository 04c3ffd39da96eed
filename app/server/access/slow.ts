import { RateLimiterMemory, RateLimiterRes } from "rate-limiter-flexible";
import { Refused, scopeNow } from "#store/db";

/** A guess may be wrong so often before it must wait, s. */
const minutes = (n: number) => n * 60;

const limits = {
  /** from one address: five wrong passphrases, then a quarter of an hour of nothing */
  passphrase: new RateLimiterMemory({ points: 5, duration: minutes(15), blockDuration: minutes(15) }),
  /** from one address: codes that let a device in */
  pairing: new RateLimiterMemory({ points: 10, duration: minutes(5), blockDuration: minutes(5) }),
  /** passphrases from anywhere: whoever changes addresses is slowed all the same */
  anyPassphrase: new RateLimiterMemory({ points: 100, duration: minutes(15), blockDuration: minutes(5) }),
  /** codes from anywhere */
  anyPairing: new RateLimiterMemory({ points: 100, duration: minutes(5), blockDuration: minutes(5) }),
  /** for one person from one address: their PIN has only four figures */
  pin: new RateLimiterMemory({ points: 5, duration: minutes(5), blockDuration: minutes(5) }),
  /** from one address: tokens that are not known */
  token: new RateLimiterMemory({ points: 60, duration: minutes(1), blockDuration: minutes(1) }),
  /** from one address: codes that name nothing */
  code: new RateLimiterMemory({ points: 60, duration: minutes(1), blockDuration: minutes(1) }),
};
export type Guess = keyof typeof limits;

/** Seconds until another guess is heard; 0 when it is heard now. */
export async function waitFor(guess: Guess, who: string): Promise<number> {
  const state = await limits[guess].get(who);
  return state && state.remainingPoints <= 0 ? Math.max(1, Math.ceil(state.msBeforeNext / 1000)) : 0;
}

/** Counts a guess as it is made, before it is looked at: many at once count as many. @returns seconds to wait; 0 for none */
export async function countGuess(guess: Guess, who: string): Promise<number> {
  try {
    await limits[guess].consume(who);
    return 0;
  } catch (error) {
    if (!(error instanceof RateLimiterRes)) throw error;
    return Math.max(1, Math.ceil(error.msBeforeNext / 1000));
  }
}

/**
 * Counts a guess at what lets a device in, from its address and from anywhere, before it is looked at: a thousand at once are
 * a thousand. @throws Refused (429) at the field when it is one too many
 *
 * @param what is guessed at, in the plural
 */
export async function countSignIn(
  guess: "passphrase" | "pairing",
  ip: string,
  field: string,
  what: string,
): Promise<void> {
  // Who must wait anyway is not counted among all: one guesser, however busy, would lock everybody out.
  const wait =
    (await countGuess(guess, ip)) ||
    (await countGuess(guess === "pairing" ? "anyPairing" : "anyPassphrase", "all"));
  if (!wait) return;
  scopeNow().header?.("Retry-After", String(wait));
  throw new Refused(
    { [field]: `Too many wrong ${what}. Wait ${Math.ceil(wait / 60)} min, then try again.` },
    429,
  );
}

/** A right one wipes the slate. */
export async function guessedRight(guess: Guess, who: string): Promise<void> {
  await limits[guess].delete(who);
}
