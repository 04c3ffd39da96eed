import { useEffect, useState } from "react";

/** Whether this screen stays awake by itself. `cannot`: the browser has no way to, as over plain http. */
export type Awake = "awake" | "asks" | "cannot";

/** Keeps the screen awake while a stove screen is in sight. */
export function useAwake(): Awake {
  const [awake, setAwake] = useState<Awake>("asks");
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    const stayAwake = async () => {
      if (!("wakeLock" in navigator)) return setAwake("cannot");
      if (document.visibilityState !== "visible") return;
      // Refused on a low battery: the clocks are right all the same when the screen wakes.
      lock = await navigator.wakeLock.request("screen").catch(() => null);
      setAwake(lock ? "awake" : "cannot");
    };
    void stayAwake();
    document.addEventListener("visibilitychange", stayAwake);
    return () => {
      document.removeEventListener("visibilitychange", stayAwake);
      void lock?.release();
    };
  }, []);
  return awake;
}
