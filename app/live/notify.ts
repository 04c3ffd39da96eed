import { useSyncExternalStore } from "react";
import { listenersOf } from "../outbox";

/** Whether this device shows a notice of the system while the page is behind others. `cannot`: it has no way to. */
export type Notices = "on" | "ask" | "refused" | "cannot";

const listeners = listenersOf();

function noticesNow(): Notices {
  if (typeof Notification === "undefined" || !isSecureContext) return "cannot";
  return Notification.permission === "default"
    ? "ask"
    : Notification.permission === "granted"
      ? "on"
      : "refused";
}

export const useNotices = (): Notices => useSyncExternalStore(listeners.add, noticesNow, () => "cannot");

/** Asks whether notices may be shown. Call it from a press. */
export async function askForNotices(): Promise<void> {
  await Notification.requestPermission().catch(() => undefined);
  listeners.tell();
}

/** Shows a notice of the system, where that is allowed. @param to the page it leads to @returns how to take it away */
export function notify({
  words,
  tag,
  to,
}: {
  words: string;
  tag: string;
  to: string;
}): (() => void) | undefined {
  if (noticesNow() !== "on") return;
  let gone = false;
  void navigator.serviceWorker
    ?.getRegistration()
    .then(async (worker) => {
      // Telephones let only a worker show one; it also leads back to the page.
      if (!worker?.active || gone) return;
      await worker.showNotification("Patient Larder", {
        body: words,
        tag,
        data: { to },
        icon: "/icons/192.png",
      });
    })
    .catch(() => undefined);
  return () => {
    gone = true;
    void navigator.serviceWorker
      ?.getRegistration()
      .then((worker) => worker?.getNotifications({ tag }))
      .then((shown) => shown?.forEach((notice) => notice.close()))
      .catch(() => undefined);
  };
}
