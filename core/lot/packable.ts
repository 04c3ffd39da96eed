import { formatDuration } from "../quantity/index.ts";
import type { LotForm } from "../species/index.ts";
import { HOT_MINUTES, WARM_MINUTES, refrigeratorDays } from "./fresh.ts";
import type { Kept, Treatment } from "./standing.ts";

/** Why a lot cannot be packed as it stands. */
export type NotPackable = "held" | "frozen" | "thawing" | "roast" | "old" | "warm";

/** What the guard asks of a lot. */
export interface LotToPack {
  code: string;
  kept: Kept;
  form: LotForm;
  treatments: readonly Treatment[];
  holds: readonly string[];
  /** until when it keeps in the refrigerator, ms; null while frozen or thawing */
  freshUntil: number | null;
  /** minutes above 40 °F since it was cut, and above 90 °F among them, by the temperature log */
  warmMinutes: number;
  hotMinutes: number;
}

/**
 * Returns what keeps a lot from being packed; null when nothing does. The one guard, asked by the form, the packing
 * bench, the plan, programs and reprocessing.
 *
 * A hold comes first. Then: meat is thawed to the middle, since a table's time is for meat that is not frozen; within
 * its days in the refrigerator and its hours of warmth. Sources: USDA FSIS, from memory.
 * @param now ms since 1970 UTC
 */
export function whyNotPacked(lot: LotToPack, now: number): NotPackable | null {
  if (lot.holds.length > 0) return "held";
  if (lot.kept === "freezer") return "frozen";
  if (lot.kept === "thawing") return "thawing";
  if (lot.freshUntil !== null && now > lot.freshUntil) return "old";
  if (lot.warmMinutes > WARM_MINUTES || lot.hotMinutes > HOT_MINUTES) return "warm";
  return lot.form === "roast" ? "roast" : null;
}

/** Returns the same as a sentence for the person, with what to do. */
export function notPackedWords(why: NotPackable, lot: LotToPack): string {
  const { code } = lot;
  switch (why) {
    case "held":
      return `Lot ${code} is on hold (${lot.holds.join("; ")}). It can be packed when someone releases the hold.`;
    case "frozen":
      return `Lot ${code} is frozen. Meat goes into a jar thawed to the middle: thaw it, then pack it.`;
    case "thawing":
      return `Lot ${code} is still thawing. Meat goes into a jar thawed to the middle: record when it is.`;
    case "roast":
      return `Lot ${code} is a whole roast. Cut it into cubes or strips first.`;
    case "old":
      return (
        `Lot ${code} is past its ${refrigeratorDays(lot.form, lot.treatments)} days in the refrigerator, counted from when it was taken, cut or thawed. ` +
        "Do not can it. If the records are wrong, open the lot and write where it really was."
      );
    case "warm":
      return (
        `Lot ${code} was above 40 °F (4 °C) for ${formatDuration(lot.warmMinutes * 60)} since it was cut; ` +
        `the limit is ${formatDuration(WARM_MINUTES * 60)}, or ${formatDuration(HOT_MINUTES * 60)} above 90 °F (32 °C). ` +
        "Do not can it. If the temperature log is wrong, open the lot and write why."
      );
  }
}
