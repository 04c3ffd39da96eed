import { ALPHABET, BASE } from "./alphabet.ts";

/** Figures of a hash that go into its short code: 96 bits, so that nobody finds another past with the same one. */
const HEX_FIGURES = 24;
/** 31 to the 20th is the first power that holds 96 bits. */
const LENGTH = 20;

/**
 * Returns a hash as a short code for paper: its first 96 bits as four groups of five characters of the alphabet of
 * codes, such as `7K3M9-2XQ4T-8HNWP-A6C2D`.
 *
 * @param hash hexadecimal, at least 24 digits
 * @throws RangeError when it is not
 */
export function shortHash(hash: string): string {
  if (!/^[0-9a-f]{24}/.test(hash)) throw new RangeError(`not a hash: ${hash.slice(0, 30)}`);
  let left = BigInt(`0x${hash.slice(0, HEX_FIGURES)}`);
  let text = "";
  for (let i = 0; i < LENGTH; i++) {
    text = ALPHABET[Number(left % BigInt(BASE))]! + text;
    left /= BigInt(BASE);
  }
  return text.match(/.{5}/g)!.join("-");
}
