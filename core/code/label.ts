/** What a label's square says: the code, and the mark of the household that printed it; null where it says none. */
export interface LabelRead {
  code: string;
  household: string | null;
}

/**
 * Returns four characters that tell this household's labels from another's, whose codes are given out in the same
 * order.
 *
 * @param createdAt when the household was set up, ms since 1970 UTC
 */
export function householdMark(createdAt: number): string {
  return createdAt.toString(36).slice(-4);
}

/**
 * Returns the address in a label's QR code.
 *
 * @param origin of the program, such as `http://127.0.0.1:4310`
 * @param code as written, with its dash
 * @param mark of the household, from `householdMark`
 */
export function labelUrl(origin: string, code: string, mark: string): string {
  return `${origin}/c/${code}?h=${mark}`;
}

/**
 * Returns the code, and the household's mark where there is one, from what a camera or scanner read: a label's
 * address, or a plain code. The code is not checked here.
 */
export function readLabel(text: string): LabelRead {
  const found = /\/c\/([^/?#\s]+)(?:\?h=([0-9a-z]+))?/.exec(text);
  return found
    ? { code: decodeURIComponent(found[1]!), household: found[2] ?? null }
    : { code: text.trim(), household: null };
}
