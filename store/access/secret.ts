import { createHmac, randomBytes, timingSafeEqual } from "node:crypto";
import { once, Refused, type Larder, type Write } from "#store/db";
import { hashSecret, verifySecret } from "./scrypt.ts";

const PASSPHRASE = "passphrase";
const pinOf = (personId: string) => `pin:${personId}`;

/** Shortest passphrase taken. NIST SP 800-63B asks for 15 where it is the only factor, from memory. */
export const SHORTEST_PASSPHRASE = 15;

function kept({ sqlite }: Larder, name: string): string | null {
  return (
    (sqlite.prepare("select hash from secret where name = ?").pluck().get(name) as string | undefined) ?? null
  );
}

function keep(larder: Larder, name: string, hash: string): void {
  larder.sqlite
    .prepare(
      "insert into secret (name, hash, changed_at) values (?, ?, ?) on conflict (name) do update set hash = excluded.hash, changed_at = excluded.changed_at",
    )
    .run(name, hash, larder.now());
}

/** Returns whether the larder has a passphrase, so that other devices may sign in. */
export const hasPassphrase = (larder: Larder): boolean => kept(larder, PASSPHRASE) !== null;

/**
 * Sets the passphrase by which other devices sign in, and signs all of them out. Throws Refused when it is too short
 * or one character repeated.
 */
export async function setPassphrase(larder: Larder, write: Write, words: string): Promise<void> {
  if ([...words].length < SHORTEST_PASSPHRASE)
    throw new Refused({
      passphrase: `At least ${SHORTEST_PASSPHRASE} letters: four or five plain words are good.`,
    });
  if (words.length > 200) throw new Refused({ passphrase: "At most 200 letters." });
  if (new Set(words).size < 5) throw new Refused({ passphrase: "More than a few different letters." });
  const hash = await hashSecret(words);
  once(larder, write, "access.passphrase", () => {
    keep(larder, PASSPHRASE, hash);
    larder.sqlite.exec("delete from session");
    return { result: null, note: { kind: "household", id: "1" } };
  });
}

/** Returns whether these words are the passphrase. Where there is none it takes as long, and returns false. */
export async function isPassphrase(larder: Larder, words: string): Promise<boolean> {
  const hash = kept(larder, PASSPHRASE);
  const right = await verifySecret(words.slice(0, 200), hash ?? NEVER);
  return hash !== null && right;
}

/** A hash of nothing anybody could say: compared with where there is none, so that the time tells nothing. */
const NEVER = `scrypt$32768$8$3$${randomBytes(16).toString("base64")}$${randomBytes(32).toString("base64")}`;

/** Returns whether a person has a PIN. */
export const hasPin = (larder: Larder, personId: string): boolean => kept(larder, pinOf(personId)) !== null;

/**
 * Sets the PIN that a person is asked for on a shared device, or removes it. Throws Refused unless it has four to
 * eight digits.
 *
 * @param pin null removes it
 */
export async function setPin(
  larder: Larder,
  write: Write,
  personId: string,
  pin: string | null,
): Promise<void> {
  if (pin !== null && !/^\d{4,8}$/.test(pin)) throw new Refused({ pin: "A PIN has 4 to 8 digits." });
  const hash = pin === null ? null : await hashSecret(pin);
  once(larder, write, "access.pin", () => {
    if (hash === null) larder.sqlite.prepare("delete from secret where name = ?").run(pinOf(personId));
    else keep(larder, pinOf(personId), hash);
    return { result: null, note: { kind: "person", id: personId, detail: { pin: hash !== null } } };
  });
}

/** Returns whether this is a person's PIN; false when the person has none. */
export async function isPin(larder: Larder, personId: string, pin: string): Promise<boolean> {
  const hash = kept(larder, pinOf(personId));
  const right = await verifySecret(pin.slice(0, 20), hash ?? NEVER);
  return hash !== null && right;
}

/**
 * Returns what a device keeps to show that a person's PIN was entered on it. It is of no use for another person, or
 * after the PIN changed.
 */
export function proofOf(larder: Larder, personId: string): string {
  let key = kept(larder, "cookie-key");
  if (!key) {
    key = randomBytes(32).toString("base64");
    keep(larder, "cookie-key", key);
  }
  return createHmac("sha256", key)
    .update(`${personId} ${kept(larder, pinOf(personId)) ?? ""}`)
    .digest("base64url");
}

/** Returns whether a device's proof is of a person's present PIN; false for null. */
export function isProof(larder: Larder, personId: string, proof: string | null): boolean {
  const right = Buffer.from(proofOf(larder, personId));
  const given = Buffer.from(proof ?? "");
  return given.length === right.length && timingSafeEqual(given, right);
}
