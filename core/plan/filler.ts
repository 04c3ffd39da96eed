import { kindParts, type KindKey } from "../capacity/index.ts";
import { scheduledProcess } from "../schedule/index.ts";

/**
 * Returns which free places of a load may be filled with jars of dry beans: those where the table's time for beans is
 * no longer than the load's. Empty for cans, for which beans have no process.
 *
 * Source: USDA 2015, the row for beans or peas, dried, from memory.
 * @param room free places by kind of container, whole, ≥ 0
 * @param minutes the load's process time, minutes, > 0
 * @param altitudeM meters above sea level
 */
export function beansRoom(
  room: Readonly<Record<KindKey, number>>,
  minutes: number,
  altitudeM: number,
): Record<KindKey, number> {
  const goes = ([kind, n]: [KindKey, number]) => {
    const { container } = kindParts(kind);
    // Every row for jars has the same pressure, whatever shows it: the minutes decide.
    const beans = scheduledProcess({
      product: "dry-beans",
      pack: "hot",
      container,
      gauge: "weighted",
      altitudeM,
    });
    return n > 0 && beans.outcome !== "none" && beans.minutes <= minutes;
  };
  return Object.fromEntries(Object.entries(room).filter(goes));
}
