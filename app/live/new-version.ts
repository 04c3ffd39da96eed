import { useEffect, useSyncExternalStore } from "react";
import { buildOfPage, lookForNewer, newerWaits, onNewer, takeNewer } from "../outbox";
import { useHeard } from "./feed";

/**
 * Whether Patient Larder was updated since this page was drawn, and no canner is on: only then is anybody asked to load
 * it anew.
 */
export function useNewerVersion(): boolean {
  const { word } = useHeard();
  const waits = useSyncExternalStore(onNewer, newerWaits, () => false);
  const mine = buildOfPage();
  const known = word !== null && word.build !== null && mine !== null;
  const isOld = known && word.build !== mine;
  const isIdle = word !== null && Object.keys(word.last).length === 0;
  useEffect(() => {
    if (isOld) lookForNewer();
  }, [isOld]);
  useEffect(() => {
    // The newer build drew this page already: there is nothing to ask.
    if (waits && known && !isOld && isIdle) takeNewer();
  }, [waits, known, isOld, isIdle]);
  return isOld && isIdle;
}
