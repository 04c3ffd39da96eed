import { kindParts, type KindKey } from "../capacity/index.ts";
import { scheduledProcess, type HouseholdRows } from "../schedule/index.ts";

/**
 * Returns which free places of a load may be filled with jars of dry beans: those where the table's time for beans is
 * no longer than the load's. Empty for cans, for which beans have no process.
 *
 * Source: USDA 2015, the row for beans or peas, dried, from memory.
 * @param room free places by kind of container, whole, ≥ 0
 * @param minutes the load's process time, minutes, > 0
 * @param altitudeM meters above sea level
 * @param rows rows the household compared with its own guide
 */
export function beansRoom(
  room: Readonly<Record<KindKey, number>>,
  minutes: number,
  altitudeM: number,
  rows: HouseholdRows,
): Record<KindKey, number> {
  const goes = ([kind, n]: [KindKey, number]) => {
    const { container } = kindParts(kind);
    // The load's own pressure is asked with everything in it: here the minutes decide.
    const beans = scheduledProcess({
      product: "dry-beans",
      pack: "hot",
      container,
      gauge: "weighted",
      altitudeM,
      rows,
    });
    return n > 0 && beans.outcome !== "none" && beans.minutes <= minutes;
  };
  return Object.fromEntries(Object.entries(room).filter(goes));
}
