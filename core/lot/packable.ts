import { type LotForm } from "../species/index.ts";
import { type Kept } from "./standing.ts";

/** Why a lot cannot be packed as it stands. */
export type NotPackable = "held" | "frozen" | "thawing" | "roast";

/**
 * What stands between a lot and a jar; null when nothing does. A hold comes first: nothing else matters before it is
 * lifted. Meat goes in thawed to the middle, since a table's time is for meat that was not frozen.
 */
export function whyNotPacked(lot: {
  kept: Kept;
  form: LotForm;
  holds: readonly string[];
}): NotPackable | null {
  if (lot.holds.length > 0) return "held";
  if (lot.kept === "freezer") return "frozen";
  if (lot.kept === "thawing") return "thawing";
  return lot.form === "roast" ? "roast" : null;
}
