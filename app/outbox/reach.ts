import { useSyncExternalStore } from "react";
import { listenersOf } from "./listeners";

/** Asked again so often while the larder cannot be reached, and while it can, ms. */
const LOST_MS = 3_000;
const WELL_MS = 15_000;
/** No answer for so long is none, ms. */
const SILENT_MS = 6_000;

let lostSince: number | null = null;
/** Nobody shows whether the larder can be reached: it is not asked any more. */
const listeners = listenersOf(() => {
  listening = false;
  if (timer) clearTimeout(timer);
  removeEventListener("offline", lose);
  removeEventListener("online", again);
});
let listening = false;
let timer: ReturnType<typeof setTimeout> | null = null;

function set(since: number | null): void {
  if (lostSince === since) return;
  lostSince = since;
  listeners.tell();
}

/** Whether the larder could not be reached when it was last asked for anything. */
export const isLost = (): boolean => lostSince !== null;

/** Something the larder was asked for found no way to it. */
export function lose(): void {
  if (lostSince === null) set(Date.now());
  watch(LOST_MS);
}

/** Asks whether the larder can be reached. */
export async function reach(): Promise<boolean> {
  try {
    const answer = await fetch("/healthz", { cache: "no-store", signal: AbortSignal.timeout(SILENT_MS) });
    if (!answer.ok) throw new TypeError("not well");
    set(null);
    return true;
  } catch {
    lose();
    return false;
  }
}

function watch(ms: number): void {
  if (timer) clearTimeout(timer);
  timer = setTimeout(() => void reach().then(() => watch(isLost() ? LOST_MS : WELL_MS)), ms);
}

function subscribe(tell: () => void): () => void {
  const stop = listeners.add(tell);
  if (listening) return stop;
  listening = true;
  const kept = document.querySelector<HTMLMetaElement>("meta[name=larder-kept]");
  // A page that had been kept is shown because the larder did not answer just now.
  if (kept && lostSince === null) set(Number(kept.content));
  watch(kept ? 0 : WELL_MS);
  addEventListener("offline", lose);
  addEventListener("online", again);
  return stop;
}

const again = () => void reach();

/** Since when the larder cannot be reached, ms by this machine's clock; null while it can. */
export function useLost(): number | null {
  return useSyncExternalStore(
    subscribe,
    () => lostSince,
    () => null,
  );
}
