import { eatingOrder } from "./life.ts";

/** A container that may be eaten, or may not. */
export interface Kept {
  code: string;
  cannedAt: number;
  /** what makes one like another on the plate: species and container, for example */
  kind: string;
  /** held, set aside, or without a sound seal */
  sound: boolean;
}

/**
 * What to eat next of each kind: the oldest sound one. Nothing is suggested while an older sound one of its kind stands.
 * @returns one a kind, the oldest first
 */
export function eatNext<T extends Kept>(shelf: readonly T[]): T[] {
  const seen = new Set<string>();
  return eatingOrder(shelf.filter((c) => c.sound)).filter((c) => {
    if (seen.has(c.kind)) return false;
    seen.add(c.kind);
    return true;
  });
}
