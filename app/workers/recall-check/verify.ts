import { ed25519 } from "@noble/curves/ed25519.js";

/** What stands before the 32 bytes of an Ed25519 key in a SubjectPublicKeyInfo (RFC 8410). */
const BEFORE = [0x30, 0x2a, 0x30, 0x05, 0x06, 0x03, 0x2b, 0x65, 0x70, 0x03, 0x21, 0x00];

const bytesOf = (base64: string) => Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));

/**
 * Returns whether a signature is of this text by this key (Ed25519, RFC 8032), by a library that needs no browser's own:
 * those give none to a page that was opened as a file. False for anything that is no key or no signature.
 *
 * @param publicKey SubjectPublicKeyInfo, base64
 * @param signature base64
 */
export function isSigned(publicKey: string, text: string, signature: string): boolean {
  try {
    const key = bytesOf(publicKey);
    if (key.length !== BEFORE.length + 32 || BEFORE.some((b, i) => key[i] !== b)) return false;
    const message = new TextEncoder().encode(text);
    return ed25519.verify(bytesOf(signature), message, key.subarray(BEFORE.length), { zip215: false });
  } catch {
    return false;
  }
}
