import { ALPHABET, BASE } from "./alphabet.ts";
import { checkCharacter, withDash } from "./check.ts";

/**
 * How many codes have a body of each length: three characters first, for lots and early jars, then longer. A
 * lifetime of 100,000 containers stays at four.
 */
const FIRST_LENGTH = 3;

/**
 * Returns the nth code this household gives out, such as `7K4-R`. Different numbers never share a code, and the codes
 * of neighboring numbers differ in more than the last characters.
 *
 * @param n whole, ≥ 0
 * @throws RangeError when it is not
 */
export function codeFor(n: number): string {
  if (!Number.isSafeInteger(n) || n < 0)
    throw new RangeError(`code number must be whole and 0 or more, got ${n}`);
  let length = FIRST_LENGTH;
  let left = n;
  while (left >= BASE ** length) left -= BASE ** length++;
  const space = BASE ** length;
  // 31 is the only prime factor of the space, so any step it does not divide visits every body once.
  const golden = Math.round(space * 0.381966);
  const step = golden % BASE === 0 ? golden + 1 : golden;
  let value = (left * step + 7) % space;
  let body = "";
  for (let i = 0; i < length; i++) {
    body = ALPHABET[value % BASE]! + body;
    value = Math.floor(value / BASE);
  }
  return withDash(body + checkCharacter(body));
}
