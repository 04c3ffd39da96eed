import { createHmac, randomBytes, timingSafeEqual } from "node:crypto";
import { once, Refused, type Larder, type Write } from "#store/db";
import { hashWord, isWord } from "./scrypt.ts";

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

export const hasPassphrase = (larder: Larder): boolean => kept(larder, PASSPHRASE) !== null;

/**
 * Sets the passphrase by which other devices of the kitchen get in. Whoever was in must say the new one.
 * @throws Refused when it is too short, or all one letter
 */
export async function setPassphrase(larder: Larder, write: Write, words: string): Promise<void> {
  if ([...words].length < SHORTEST_PASSPHRASE)
    throw new Refused({
      passphrase: `At least ${SHORTEST_PASSPHRASE} letters: four or five plain words are good.`,
    });
  if (words.length > 200) throw new Refused({ passphrase: "At most 200 letters." });
  if (new Set(words).size < 5) throw new Refused({ passphrase: "More than a few different letters." });
  const hash = await hashWord(words);
  once(larder, write, "access.passphrase", () => {
    keep(larder, PASSPHRASE, hash);
    larder.sqlite.exec("delete from session");
    return { result: null, note: { kind: "household", id: "1" } };
  });
}

/** Whether these are the words. Where there are none, it takes as long and is never right. */
export async function isPassphrase(larder: Larder, words: string): Promise<boolean> {
  const hash = kept(larder, PASSPHRASE);
  const right = await isWord(words.slice(0, 200), hash ?? NEVER);
  return hash !== null && right;
}

/** A hash of nothing anybody could say: compared with where there is none, so that the time tells nothing. */
const NEVER = `scrypt$32768$8$3$${randomBytes(16).toString("base64")}$${randomBytes(32).toString("base64")}`;

export const hasPin = (larder: Larder, personId: string): boolean => kept(larder, pinOf(personId)) !== null;

/** Sets or takes off the PIN a person is asked for on a shared screen. @throws Refused unless four to eight figures */
export async function setPin(
  larder: Larder,
  write: Write,
  personId: string,
  pin: string | null,
): Promise<void> {
  if (pin !== null && !/^\d{4,8}$/.test(pin)) throw new Refused({ pin: "A PIN is four to eight figures." });
  const hash = pin === null ? null : await hashWord(pin);
  once(larder, write, "access.pin", () => {
    if (hash === null) larder.sqlite.prepare("delete from secret where name = ?").run(pinOf(personId));
    else keep(larder, pinOf(personId), hash);
    return { result: null, note: { kind: "person", id: personId, detail: { pin: hash !== null } } };
  });
}

/** Whether this is the person’s PIN. False where the person has none. */
export async function isPin(larder: Larder, personId: string, pin: string): Promise<boolean> {
  const hash = kept(larder, pinOf(personId));
  const right = await isWord(pin.slice(0, 20), hash ?? NEVER);
  return hash !== null && right;
}

/** What a screen carries to show that a person's PIN was said on it: worthless for anyone else, and once the PIN is changed. */
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

/** Whether a screen’s proof is of this person’s present PIN. False for null. */
export function isProof(larder: Larder, personId: string, proof: string | null): boolean {
  const right = Buffer.from(proofOf(larder, personId));
  const given = Buffer.from(proof ?? "");
  return given.length === right.length && timingSafeEqual(given, right);
}
