import { useEffect, useState } from "react";

/** What keeps the pages takes so long to begin at most, ms. */
const STARTING_MS = 20_000;

/** Whether pages that were opened on this device can be read without a network; null until it is known. */
export function useReadableOffline(): boolean | null {
  const [is, setIs] = useState<boolean | null>(null);
  useEffect(() => {
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    if (!("serviceWorker" in navigator)) return setIs(false);
    void navigator.serviceWorker.getRegistration().then((found) => {
      if (gone) return;
      if (found?.active) return setIs(true);
      // A device that was just connected is fetching what it keeps.
      void navigator.serviceWorker.ready.then(() => gone || setIs(true));
      timer = setTimeout(() => setIs(false), STARTING_MS);
    });
    return () => {
      gone = true;
      clearTimeout(timer);
    };
  }, []);
  return is;
}
