import { X509Certificate } from "node:crypto";

/** The fingerprint of a certificate, for comparing by eye: the SHA-256 of its bytes, in groups. */
export const fingerprintOf = (cert: string): string => new X509Certificate(cert).fingerprint256;

/** A certificate as the bytes a phone takes in (DER). */
export const asDer = (cert: string): Buffer => new X509Certificate(cert).raw;
