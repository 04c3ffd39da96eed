import { createHash, randomBytes } from "node:crypto";
import { DAY_MS, HOUR_MS, MINUTE_MS } from "#core/quantity";
import type { Reach } from "#core/guard";
import { once, type Larder, type Write } from "#store/db";

/** A screen stays in for so long after it was last used. */
export const SESSION_MS = 60 * DAY_MS;
/** Its key is changed so often, */
const ROTATE_MS = 12 * HOUR_MS;
/** and the one before is taken for a moment longer: a page asks for several things at once. */
const OVERLAP_MS = MINUTE_MS;

/**
 * Returns the SHA-256 of a session key: enough to recognize the key, not enough to use it. A key holds 256 random
 * bits.
 */
export const hashOfKey = (key: string) => createHash("sha256").update(key).digest("hex");
/** Returns a new random session key of 256 bits, as text for a cookie. */
export const newKey = () => randomBytes(32).toString("base64url");

export interface Session {
  device: string;
  createdAt: number;
  expiresAt: number;
  /** how far it may go, whoever uses it */
  may: Reach;
}

/** When each key was last shown, by its hash, ms since 1970 UTC; of what was before a start its last change is known. */
const lastShown = new Map<string, number>();

/** Signs a device in. Returns the key it shows from now on. @param may how far it may go, whoever uses it */
export function openSession(larder: Larder, device: string, may: Reach = "all"): string {
  const key = newKey();
  const now = larder.now();
  larder.sqlite.prepare("delete from session where expires_at < ?").run(now);
  larder.sqlite
    .prepare(
      "insert into session (hash, device, created_at, rotated_at, expires_at, may) values (?, ?, ?, ?, ?, ?)",
    )
    .run(hashOfKey(key), device.slice(0, 80), now, now, now + SESSION_MS, may);
  return key;
}

/**
 * Signs a device in that was let in by a code, and writes into the history who let it in. Returns the key it shows from
 * now on.
 */
export function pairDevice(larder: Larder, write: Write, device: string, may: Reach): string {
  let key = "";
  once(larder, write, "access.pair", () => {
    key = openSession(larder, device, may);
    return { result: null, note: { kind: "household", id: "1", detail: { device, may } } };
  });
  return key;
}

/**
 * Returns the session of a key, and the key that is to replace it when it has been in use for long, else null. Null
 * for a key that is not known or has expired.
 */
export function knownSession(larder: Larder, key: string): { session: Session; next: string | null } | null {
  const hash = hashOfKey(key);
  const now = larder.now();
  const row = larder.sqlite
    .prepare(
      `select hash, device, may, created_at as createdAt, rotated_at as rotatedAt, expires_at as expiresAt from session
       where (hash = @hash or (former_hash = @hash and rotated_at > @now - ${OVERLAP_MS})) and expires_at > @now`,
    )
    .get({ hash, now }) as (Session & { hash: string; rotatedAt: number }) | undefined;
  if (!row) return null;
  lastShown.set(row.hash, now);
  if (row.hash !== hash || now - row.rotatedAt < ROTATE_MS) return { session: row, next: null };
  const next = newKey();
  lastShown.delete(hash);
  lastShown.set(hashOfKey(next), now);
  larder.sqlite
    .prepare("update session set hash = ?, former_hash = ?, rotated_at = ?, expires_at = ? where hash = ?")
    .run(hashOfKey(next), hash, now, now + SESSION_MS, hash);
  return { session: row, next };
}

/**
 * Returns the devices that are signed in, newest first, and when each was last seen, ms since 1970 UTC. Their `id` tells
 * them apart and signs nobody in.
 */
export function listSessions(larder: Larder): (Session & { id: string; seenAt: number })[] {
  const rows = larder.sqlite
    .prepare(
      "select hash, device, may, created_at as createdAt, rotated_at as rotatedAt, expires_at as expiresAt from session where expires_at > ? order by created_at desc",
    )
    .all(larder.now()) as (Session & { hash: string; rotatedAt: number })[];
  return rows.map(({ hash, rotatedAt, ...session }) => ({
    ...session,
    id: hash.slice(0, 12),
    seenAt: lastShown.get(hash) ?? rotatedAt,
  }));
}

/** Returns whether a session still stands, by its key. Unlike `knownSession` it changes nothing. */
export function isSignedIn(larder: Larder, key: string): boolean {
  const found = larder.sqlite
    .prepare("select 1 from session where (hash = @hash or former_hash = @hash) and expires_at > @now")
    .get({ hash: hashOfKey(key), now: larder.now() });
  return found !== undefined;
}

/** Signs a device out, by the id of its session, and writes it into the history. Does nothing when there is none. */
export function endSession(larder: Larder, write: Write, id: string): void {
  once(larder, write, "access.sign-out", () => {
    const gone = larder.sqlite
      .prepare("delete from session where substr(hash, 1, 12) = ? returning device")
      .get(id) as { device: string } | undefined;
    return {
      result: null,
      note: gone ? { kind: "household", id: "1", detail: { device: gone.device } } : null,
    };
  });
}
