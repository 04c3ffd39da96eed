import { useEffect, useState } from "react";

/** Whether pages that were opened on this device can be read without a network; null until it is known. */
export function useReadableOffline(): boolean | null {
  const [is, setIs] = useState<boolean | null>(null);
  useEffect(() => {
    let gone = false;
    if (!("serviceWorker" in navigator)) return setIs(false);
    void navigator.serviceWorker.getRegistration().then((found) => {
      if (gone) return;
      setIs(Boolean(found?.active));
      // It may just be starting.
      if (!found?.active) void navigator.serviceWorker.ready.then(() => gone || setIs(true));
    });
    return () => {
      gone = true;
    };
  }, []);
  return is;
}
