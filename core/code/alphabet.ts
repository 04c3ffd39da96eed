/**
 * The 31 characters codes are written in: no 0 or O, no 1, I or L, so that a marker on a wet bag reads back
 * without doubt. 31 is prime, which is what lets one check character catch every single error and every swap.
 */
export const ALPHABET = "23456789ABCDEFGHJKMNPQRSTUVWXYZ";

export const BASE = ALPHABET.length;

/** Returns the place of one character in the alphabet of codes, 0 to 30; −1 when it is not in it. */
export function valueOf(char: string): number {
  return char.length === 1 ? ALPHABET.indexOf(char) : -1;
}
