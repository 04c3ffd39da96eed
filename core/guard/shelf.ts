import type { Disposition, SealFinding } from "../rest/index.ts";
import type { Move } from "../shelf/index.ts";

/** What the guard asks of a container that is to stand on a shelf, or to leave it. */
export interface ContainerOnTheWay {
  code: string;
  seal: SealFinding | null;
  disposition: Disposition | null;
  moved: Move | null;
  /** its run served the whole time */
  processed: boolean;
  /** why it may not be used; empty when it may */
  holds: readonly string[];
  /** the recall that set it aside; null when none does */
  aside: string | null;
}

const TAKEN_WORDS: Record<Exclude<Move, "shelved">, string> = {
  opened: "was opened",
  given: "was given away",
  discarded: "was thrown out",
  missing: "was not found when its shelf was counted",
};

const DECIDED: Record<Disposition, string> = {
  shelve: "it may be shelved",
  chill: "it was sent to the refrigerator",
  freeze: "it was frozen",
  repack: "its meat is reprocessed",
  discard: "it was thrown out",
  hold: "it is on hold",
};

/**
 * Returns why a container may not be put on a shelf, as a sentence; null when it may. The one guard, asked by the
 * shelves, by imported lists and by programs.
 */
export function whyNotShelved(c: ContainerOnTheWay): string | null {
  if (c.moved && c.moved !== "shelved" && c.moved !== "missing")
    return `${c.code} ${TAKEN_WORDS[c.moved]}. If that was a mistake, put it back from its own page.`;
  if (c.disposition) return `${c.code} has no sound, checked seal: ${DECIDED[c.disposition]}.`;
  if (c.seal === null)
    return `${c.code} has no checked seal yet, so it is not shelved. Check its seal first.`;
  if (c.seal === "failed") return `${c.code} did not seal, so it is not shelved. Decide about it on Rest.`;
  if (!c.processed) return `${c.code} did not get its full time, so it is not shelved.`;
  if (c.holds.length) return `${c.code} is on hold (${c.holds.join("; ")}).`;
  if (c.aside && c.moved === null)
    return `${c.code} is recalled (${c.aside}). Release it first, with the reason.`;
  return null;
}

/**
 * Returns why a container may not leave its shelf, as a sentence; null when it may. Throwing out a container that is
 * on a shelf is always allowed.
 *
 * @param as opened, given away or thrown out
 */
export function whyNotTaken(c: ContainerOnTheWay, as: Exclude<Move, "shelved" | "missing">): string | null {
  if (c.moved !== "shelved")
    return c.moved
      ? `${c.code} ${TAKEN_WORDS[c.moved]} already. Is it the right code?`
      : `${c.code} is not on a shelf.`;
  return as === "discarded" ? null : whyNotUsed(c);
}

/** Why food may be neither eaten nor given away; null when it may. */
function whyNotUsed(c: ContainerOnTheWay): string | null {
  if (c.holds.length)
    return `${c.code} is on hold (${c.holds.join("; ")}). Do not eat it or give it away until the hold is released.`;
  if (c.aside)
    return `${c.code} is recalled: ${c.aside}. Do not eat it or give it away until somebody releases it with a reason.`;
  return null;
}

/**
 * Returns why a container gets no label to give it away with, as a sentence; null when it gets one: it may be shelved, is
 * on a shelf, or was given away by somebody who wants its label now, and nothing holds it.
 */
export function whyNoGiftLabel(c: ContainerOnTheWay): string | null {
  if (c.moved === "shelved" || c.moved === "given") return whyNotUsed(c);
  if (c.moved) return `${c.code} ${TAKEN_WORDS[c.moved]}.`;
  return whyNotShelved(c);
}
