import { containerOf, kindParts, type KindKey } from "../capacity/index.ts";
import { isCan, type LoadPack } from "../schedule/index.ts";
import type { Filler } from "../run/index.ts";

/** Most containers of one kind that only fill up a canner. More than any household canner holds. Common practice, no source. */
export const MOST_FILLERS = 40;

/**
 * Returns the packs a load's scheduled process has to cover beside its own: its jars of beans. Water is nothing to be
 * processed. Dry beans have a published row, soaked, boiled and packed hot, in jars up to a quart; in cans they have
 * none, and the load is refused with that reason.
 *
 * Source: USDA 2015, Guide 4 (beans or peas, shelled, dried), from memory.
 */
export function fillersAsPacks(fillers: readonly Filler[]): LoadPack[] {
  return fillers
    .filter((f) => f.of === "beans")
    .map((f) => ({ product: "dry-beans", pack: "hot", container: containerOf(f.kind) }));
}

/**
 * Returns why containers may not fill up a load, as a sentence; null when they may. They are of the load's own sort,
 * jars with jars and cans with cans; beans go into new lids, since they are kept.
 *
 * @param kinds containers of the load itself
 */
export function whyNotFilled(fillers: readonly Filler[], kinds: readonly KindKey[]): string | null {
  for (const { kind, count, of, usedLids } of fillers) {
    if (!(Number.isInteger(count) && count >= 1 && count <= MOST_FILLERS))
      return `Fill up with 1 to ${MOST_FILLERS} containers, or with none.`;
    const can = isCan(kindParts(kind).container);
    if (kinds.some((k) => isCan(containerOf(k)) !== can))
      return "Cans and jars may not share a run. Fill up with the same sort.";
    if (of === "beans" && usedLids)
      return "Beans are kept: give them new lids. Used lids are for water only.";
    if (can && usedLids) return "An end is seamed on once: a can is closed with a new one.";
  }
  return null;
}
