/** What a label's square says: the code, and the mark of the household that printed it; null where it says none. */
export interface LabelRead {
  code: string;
  household: string | null;
}

/**
 * A household's mark on its labels: codes are given out alike everywhere, so a label of a neighbour's larder could pass for
 * one of ours.
 * @param createdAt when the household was set up, ms since 1970 UTC
 */
export function householdMark(createdAt: number): string {
  return createdAt.toString(36).slice(-4);
}

/** The address a label's square leads to. @param origin of the larder, `http://127.0.0.1:4310` */
export function labelUrl(origin: string, code: string, mark: string): string {
  return `${origin}/c/${code}?h=${mark}`;
}

/** Reads what a camera or a scanner sent: an address of a label, or a code as it is written. */
export function readLabel(text: string): LabelRead {
  const found = /\/c\/([^/?#\s]+)(?:\?h=([0-9a-z]+))?/.exec(text);
  return found
    ? { code: decodeURIComponent(found[1]!), household: found[2] ?? null }
    : { code: text.trim(), household: null };
}
