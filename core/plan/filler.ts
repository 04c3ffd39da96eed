import { kindParts, type KindKey } from "../capacity/index.ts";
import { scheduledProcess } from "../schedule/index.ts";

/**
 * What of the room a load leaves may be filled with dry beans: only where they get their own minutes in it. A load that is
 * shorter leaves water as the one filler, and so do cans, for which beans have no process.
 * @param room containers that still go in, by kind
 * @param minutes the load's time at pressure
 * @param altitudeM meters above the sea
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
