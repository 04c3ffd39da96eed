import { useSyncExternalStore } from "react";
import { listenersOf } from "../../outbox";

/** What a browser hands over when it would install the program; not every browser does, and none says so in its types. */
interface InstallOffer extends Event {
  prompt(): Promise<{ outcome: "accepted" | "dismissed" }>;
}

/** `menu`: only the browser's own menu installs it. */
export type Installed = "yes" | "offered" | "menu" | "cannot";

let offer: InstallOffer | null = null;
let installed = false;
const listeners = listenersOf();

/** Keeps the browser's offer until somebody wants it. Call it before the page is alive: the offer comes early, and once. */
export function keepInstallOffer(): void {
  addEventListener("beforeinstallprompt", (event) => {
    event.preventDefault();
    offer = event as InstallOffer;
    listeners.tell();
  });
  addEventListener("appinstalled", () => {
    installed = true;
    offer = null;
    listeners.tell();
  });
}

function installedNow(): Installed {
  if (installed || matchMedia("(display-mode: standalone)").matches) return "yes";
  if (offer) return "offered";
  return isSecureContext && "serviceWorker" in navigator ? "menu" : "cannot";
}

export const useInstalled = (): Installed =>
  useSyncExternalStore(listeners.add, installedNow, () => "cannot");

/** Shows the browser's own question. Call it from a press. */
export async function install(): Promise<void> {
  const asked = offer;
  offer = null;
  await asked?.prompt().catch(() => undefined);
  listeners.tell();
}
