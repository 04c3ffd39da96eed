import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from "node:crypto";

/** Cost of a guess: 32 MiB and about a tenth of a second. RFC 7914 gives the function; the numbers are OWASP's, from memory. */
const COST = { N: 2 ** 15, r: 8, p: 3 } as const;
const LENGTH = 32;
const MOST_MEMORY = 128 * 1024 * 1024;

/**
 * Returns a passphrase or PIN as it is stored: the scrypt parameters, its salt and its hash, from which it cannot be
 * read.
 */
export async function hashSecret(word: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derived(word, salt, COST);
  return ["scrypt", COST.N, COST.r, COST.p, salt.toString("base64"), key.toString("base64")].join("$");
}

/** Returns whether a passphrase or PIN is the stored one. A wrong one takes as long as the right one. */
export async function verifySecret(word: string, kept: string): Promise<boolean> {
  const [kind, N, r, p, salt, key] = kept.split("$");
  if (kind !== "scrypt" || !salt || !key) return false;
  const right = Buffer.from(key, "base64");
  const given = await derived(word, Buffer.from(salt, "base64"), {
    N: Number(N),
    r: Number(r),
    p: Number(p),
  });
  return given.length === right.length && timingSafeEqual(given, right);
}

function derived(word: string, salt: Buffer, cost: ScryptOptions): Promise<Buffer> {
  return new Promise((resolve, reject) =>
    // The same word typed on another keyboard is the same word.
    scrypt(word.normalize("NFKC"), salt, LENGTH, { ...cost, maxmem: MOST_MEMORY }, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  );
}
