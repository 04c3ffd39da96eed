import { ALPHABET, BASE } from "./alphabet.ts";

/** Figures of a hash that go into its short code: 96 bits, so that nobody finds another past with the same one. */
const HEX_FIGURES = 24;
/** 31 to the 20th is the first power that holds 96 bits. */
const LENGTH = 20;

/**
 * The short code of a hash, for paper: four groups of five characters of the alphabet of codes, for example
 * `7K3M9-2XQ4T-8HNWP-A6C2D`.
 * @param hash hexadecimal figures, at least 24
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
