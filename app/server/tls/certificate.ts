import { createPrivateKey, X509Certificate } from "node:crypto";
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { namesAllowed, newAuthority, newServerPair, SERVER_MS } from "./authority";
import type { OwnNames } from "./names";
import type { Pair } from "./x509";

/** What https is served with. */
export interface Certificate extends Pair {
  /** the household's authority, which phones are to trust; null with a certificate of one's own, which they trust already */
  authority: string | null;
  /** what is wrong and does not keep it from being served yet; null when nothing is */
  warning: string | null;
}

/** Why https cannot be served: what happened and what to do. */
export class NoCertificate extends Error {}

/** It is renewed once a third of its time is left. */
const RENEW_MS = SERVER_MS / 3;

const LOST_KEY =
  "The key of this household's certificate is missing (tls/authority.key). Put it back from where you keep it. Or remove the folder tls and start again: each phone then has to trust the new certificate.";

/**
 * Returns the certificate https is served with, made or renewed where that is due. The household's own is kept in `tls/` of
 * the data folder, with keys only its owner can read; no backup and no export takes them along.
 *
 * @param now ms since 1970 UTC
 * @param renew false where nobody knows what time it is: what is there is used as it is
 * @throws NoCertificate with what to do
 */
export async function certificateFor(
  folder: string,
  names: OwnNames,
  now: number,
  renew = true,
): Promise<Certificate> {
  const { TLS_CERT, TLS_KEY } = process.env;
  if (TLS_CERT || TLS_KEY) return ownCertificate(TLS_CERT, TLS_KEY, now);
  const at = (name: string) => join(folder, "tls", name);
  const authority = { cert: readIf(at("authority.pem")), key: readIf(at("authority.key")) };
  if (authority.cert === null && authority.key === null) {
    const made = await newAuthority(names, now);
    mkdirSync(join(folder, "tls"), { recursive: true, mode: 0o700 });
    writePair(at("authority"), made);
    Object.assign(authority, made);
  }
  if (authority.cert === null) throw new NoCertificate(LOST_KEY.replace("authority.key", "authority.pem"));
  const had = { cert: readIf(at("server.pem")), key: readIf(at("server.key")) };
  const kept =
    had.cert !== null && had.key !== null && fits(had as Pair, authority.cert) ? (had as Pair) : null;
  const due = kept === null || msLeft(kept.cert, now) < RENEW_MS || !covers(kept.cert, names, authority.cert);
  if (kept && (!due || !renew)) return { ...kept, authority: authority.cert, warning: null };
  if (authority.key === null) {
    // What is signed already is good until it ends: a lost key takes no screen away tonight.
    if (kept && msLeft(kept.cert, now) > 0) return { ...kept, authority: authority.cert, warning: LOST_KEY };
    throw new NoCertificate(LOST_KEY);
  }
  const made = await newServerPair(authority as Pair, names, now);
  writePair(at("server"), made);
  return { ...made, authority: authority.cert, warning: null };
}

/** A certificate from files of one's own, checked before anybody meets it. */
function ownCertificate(certPath = "", keyPath = "", now: number): Certificate {
  const cert = readIf(certPath);
  const key = readIf(keyPath);
  if (cert === null || key === null)
    throw new NoCertificate(
      `${cert === null ? `TLS_CERT (${certPath || "not set"})` : `TLS_KEY (${keyPath || "not set"})`} cannot be read. Set both to the files of one certificate, or neither.`,
    );
  if (!matches({ cert, key }))
    throw new NoCertificate(
      "TLS_CERT and TLS_KEY do not belong together, or are not text files. Set both from one certificate.",
    );
  if (msLeft(cert, now) <= 0)
    throw new NoCertificate(`The certificate in TLS_CERT has expired. Renew it, then start again.`);
  return { cert, key, authority: null, warning: null };
}

const readIf = (path: string): string | null => {
  try {
    return path && existsSync(path) ? readFileSync(path, "utf8") : null;
  } catch {
    return null;
  }
};

/** Written beside its place and moved there: a power cut leaves the old pair or the new one. */
function writePair(path: string, { cert, key }: Pair): void {
  for (const [name, text] of [
    [`${path}.key`, key],
    [`${path}.pem`, cert],
  ] as const) {
    writeFileSync(`${name}.new`, text, { mode: 0o600 });
    renameSync(`${name}.new`, name);
  }
}

/** Whether a key is that of its certificate. */
function matches({ cert, key }: Pair): boolean {
  try {
    return new X509Certificate(cert).checkPrivateKey(createPrivateKey(key));
  } catch {
    return false;
  }
}

/** Whether a pair belongs together and was signed by this authority. */
const fits = (pair: Pair, authority: string): boolean =>
  matches(pair) && new X509Certificate(pair.cert).verify(new X509Certificate(authority).publicKey);

const msLeft = (cert: string, now: number): number => Date.parse(new X509Certificate(cert).validTo) - now;

/** Whether a certificate names all that this machine is called now, as far as its authority may vouch for it. */
function covers(cert: string, names: OwnNames, authority: string): boolean {
  const leaf = new X509Certificate(cert);
  const allowed = namesAllowed(authority);
  return (
    names.dns.filter((n) => allowed.includes(n)).every((n) => leaf.checkHost(n) !== undefined) &&
    names.addresses.every((a) => leaf.checkIP(a) !== undefined)
  );
}
