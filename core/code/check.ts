import { ALPHABET, BASE, valueOf } from "./alphabet.ts";

/**
 * Weighted sum of a code, check character included, modulo 31; 0 for a sound code.
 *
 * Weights are powers of 3, which is a primitive root of 31: none is 0, so no single wrong character passes, and
 * neighbours differ, so no swap of neighbours passes. The scheme is that of ISO/IEC 7064's pure systems (weights
 * in geometric progression, prime modulus), over our own alphabet.
 * @returns −1 when a character is not in the alphabet
 */
function weightedSum(chars: string): number {
  let sum = 0;
  for (const char of chars) {
    const value = valueOf(char);
    if (value < 0) return -1;
    sum = (sum * 3 + value) % BASE;
  }
  return sum;
}

/**
 * Returns the check character that completes the body of a code.
 *
 * Source: the pure systems of ISO/IEC 7064 (weights in geometric progression, prime modulus), on an alphabet of its
 * own.
 * @throws RangeError when a character is not in the alphabet
 */
export function checkCharacter(body: string): string {
  const sum = weightedSum(body);
  if (sum < 0) throw new RangeError(`“${body}” has a character outside the code alphabet`);
  return ALPHABET[(BASE - ((sum * 3) % BASE)) % BASE]!;
}

/** Returns whether a bare code (capitals, no dash) has at least 4 characters and the right check character. */
export function isValidCode(bare: string): boolean {
  return bare.length >= 4 && weightedSum(bare) === 0;
}

/** Returns a bare code as it is written on a lid, the check character after a dash: `7K4R` becomes `7K4-R`. */
export function withDash(bare: string): string {
  return `${bare.slice(0, -1)}-${bare.slice(-1)}`;
}

/** Returns what a person typed or scanned as a bare code: in capitals, without spaces and dashes. */
export function bareCode(text: string): string {
  return text.toUpperCase().replaceAll(/[\s\-–—]/g, "");
}
