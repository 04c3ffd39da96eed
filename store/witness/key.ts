import {
  createHash,
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  sign,
  verify,
  type KeyObject,
} from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { writeWhole } from "#store/db";
import { shortHash } from "#core/code";

/** Signs what the history was: an Ed25519 key (RFC 8032) in a file of its own, in no backup and no export. */
export interface Witness {
  /** SubjectPublicKeyInfo (RFC 5280), base64 */
  publicKey: string;
  /** short code of the public key's SHA-256, by which people know it */
  fingerprint: string;
  /** @returns the signature, base64 */
  sign(text: string): string;
}

/** Returns the path of a larder's signing key: beside it, or where `LARDER_WITNESS_KEY` says. */
export const keyPath = (folder: string): string =>
  process.env.LARDER_WITNESS_KEY || join(folder, "witness.key");

/**
 * Returns the larder's witness; its Ed25519 key is created when there is none. Throws Error when the file is no such
 * key.
 */
export function witnessOf(folder: string): Witness {
  const path = keyPath(folder);
  if (!existsSync(path)) {
    const { privateKey } = generateKeyPairSync("ed25519");
    writeWhole(path, String(privateKey.export({ type: "pkcs8", format: "pem" })), true);
  }
  const key = readKey(path);
  const publicKey = createPublicKey(key).export({ type: "spki", format: "der" }).toString("base64");
  return {
    publicKey,
    fingerprint: fingerprintOf(publicKey),
    sign: (text) => sign(null, Buffer.from(text), key).toString("base64"),
  };
}

/** Returns the fingerprint of a larder's key; null when it has none, or none that can be read. */
export function fingerprintAt(folder: string): string | null {
  return existsSync(keyPath(folder)) ? witnessOf(folder).fingerprint : null;
}

function readKey(path: string): KeyObject {
  try {
    const key = createPrivateKey(readFileSync(path));
    if (key.asymmetricKeyType === "ed25519") return key;
  } catch {
    // Said below, whatever is wrong with it.
  }
  throw new Error(
    `${path} is no Ed25519 key. Put the key back from where you keep it, or move the file away; a new key is made then.`,
  );
}

/** Returns the fingerprint of a public key: the start of its SHA-256, in hexadecimal digits. */
export const fingerprintOf = (publicKey: string): string =>
  shortHash(createHash("sha256").update(Buffer.from(publicKey, "base64")).digest("hex")).slice(0, 11);

/** Returns whether a signature is of this text by this key; false for anything that is no key or no signature. */
export function isSignedBy(publicKey: string, text: string, signature: string): boolean {
  try {
    const key = createPublicKey({ key: Buffer.from(publicKey, "base64"), format: "der", type: "spki" });
    return (
      key.asymmetricKeyType === "ed25519" &&
      verify(null, Buffer.from(text), key, Buffer.from(signature, "base64"))
    );
  } catch {
    return false;
  }
}
