// The certificate library looks for this before anything of it is loaded.
import "reflect-metadata";
import * as x509 from "@peculiar/x509";

x509.cryptoProvider.set(globalThis.crypto);
export { x509 };

/** Keys and signatures of the household: P-256 with SHA-256, which every browser takes. */
export const KEYS = { name: "ECDSA", namedCurve: "P-256" } as const;
export const SIGNED = { name: "ECDSA", hash: "SHA-256" } as const;

/** A certificate and its private key, both as PEM. */
export interface Pair {
  cert: string;
  key: string;
}

/** A private key as PEM (PKCS #8). */
export async function keyAsPem(key: CryptoKey): Promise<string> {
  return x509.PemConverter.encode(await crypto.subtle.exportKey("pkcs8", key), "PRIVATE KEY");
}

/** A private key read from PEM (PKCS #8). @throws Error when it is no such key */
export function keyFromPem(pem: string): Promise<CryptoKey> {
  return crypto.subtle.importKey("pkcs8", x509.PemConverter.decodeFirst(pem), KEYS, true, ["sign"]);
}

/** A random serial number of 16 bytes, positive, as hex. */
export function newSerial(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[0] = (bytes[0]! & 0x7f) | 0x40;
  return Buffer.from(bytes).toString("hex");
}
