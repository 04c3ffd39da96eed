import { createHash, randomInt } from "node:crypto";
import { ALPHABET } from "#core/code";

/** Nobody guesses one of these while it is good: 39 bits, and guesses are slowed. */
const LENGTH = 8;

/** Returns a new code that is used once, as it is shown: `K7M4-9T3R`, of letters and figures that are not taken for each other. */
export function newOneTimeCode(): string {
  const letters = Array.from({ length: LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]!).join("");
  return `${letters.slice(0, 4)}-${letters.slice(4)}`;
}

/** Returns the SHA-256 of a code as hex, however it was typed: small letters, spaces and dashes do not count. */
export const hashOfCode = (code: string): string =>
  createHash("sha256")
    .update(code.toUpperCase().replace(/[^A-Z0-9]/g, ""))
    .digest("hex");
