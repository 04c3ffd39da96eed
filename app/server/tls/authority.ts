import { AsnConvert } from "@peculiar/asn1-schema";
import { GeneralName, GeneralSubtree, GeneralSubtrees, NameConstraints } from "@peculiar/asn1-x509";
import { DAY_MS } from "#core/quantity";
import { PRIVATE_NETWORKS, type OwnNames } from "./names";
import { KEYS, SIGNED, keyAsPem, keyFromPem, newSerial, x509, type Pair } from "./x509";

/** A phone trusts the household once, for as long as phones last. */
const AUTHORITY_MS = 3650 * DAY_MS;
/**
 * Browsers take a server's certificate for 398 days at most. A short one that is renewed by itself is a lost key's
 * shortest harm.
 */
export const SERVER_MS = 60 * DAY_MS;
/** A phone's clock may be behind by this much, and the certificate is valid for it all the same. */
const BEFORE_MS = 2 * DAY_MS;

/** The limits of the authority: these names, and private addresses. It can vouch for no other site, whoever has its key. */
function limitsOf({ dns }: OwnNames): x509.Extension {
  const names = [
    ...dns.map((dNSName) => new GeneralName({ dNSName })),
    ...PRIVATE_NETWORKS.map(([address, bits]) => new GeneralName({ iPAddress: `${address}/${bits}` })),
  ];
  const permitted = new GeneralSubtrees(names.map((base) => new GeneralSubtree({ base })));
  const limits = new NameConstraints({ permittedSubtrees: permitted });
  return new x509.Extension("2.5.29.30", true, AsnConvert.serialize(limits));
}

/**
 * Makes the authority of this household: it signs the server's certificates and nothing else, for its own names and private
 * addresses alone (RFC 5280, 4.2.1.10).
 *
 * @param now ms since 1970 UTC
 */
export async function newAuthority(names: OwnNames, now: number): Promise<Pair> {
  const keys = await crypto.subtle.generateKey(KEYS, true, ["sign", "verify"]);
  const cert = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: newSerial(),
    name: `CN=Patient Larder at ${names.dns[0]}`,
    notBefore: new Date(now - BEFORE_MS),
    notAfter: new Date(now + AUTHORITY_MS),
    keys,
    signingAlgorithm: SIGNED,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      limitsOf(names),
    ],
  });
  return { cert: cert.toString("pem"), key: await keyAsPem(keys.privateKey) };
}

/** Returns the DNS names an authority may vouch for. */
export function namesAllowed(cert: string): string[] {
  const limits = new x509.X509Certificate(cert).getExtension("2.5.29.30");
  if (!limits) return [];
  const { permittedSubtrees } = AsnConvert.parse(limits.value, NameConstraints);
  return [...(permittedSubtrees ?? [])].flatMap((s) => s.base.dNSName ?? []);
}

/**
 * Makes a certificate for the server, signed by the household's authority, with a key of its own. Names the authority may
 * not vouch for are left out.
 *
 * @param now ms since 1970 UTC
 */
export async function newServerPair(authority: Pair, names: OwnNames, now: number): Promise<Pair> {
  const issuer = new x509.X509Certificate(authority.cert);
  const keys = await crypto.subtle.generateKey(KEYS, true, ["sign", "verify"]);
  const allowed = namesAllowed(authority.cert);
  const dns = names.dns.filter((n) => allowed.includes(n));
  const cert = await x509.X509CertificateGenerator.create({
    serialNumber: newSerial(),
    subject: `CN=${names.dns[0]}`,
    issuer: issuer.subject,
    notBefore: new Date(now - BEFORE_MS),
    notAfter: new Date(Math.min(now + SERVER_MS, issuer.notAfter.getTime())),
    publicKey: keys.publicKey,
    signingKey: await keyFromPem(authority.key),
    signingAlgorithm: SIGNED,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      await x509.AuthorityKeyIdentifierExtension.create(issuer.publicKey),
      new x509.SubjectAlternativeNameExtension([
        ...dns.map((value) => ({ type: "dns" as const, value })),
        ...names.addresses.map((value) => ({ type: "ip" as const, value })),
      ]),
    ],
  });
  return { cert: cert.toString("pem"), key: await keyAsPem(keys.privateKey) };
}
