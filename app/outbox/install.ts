import { MINUTE_MS } from "#core/quantity";
import { listenersOf } from "./listeners";
import { onWaiting, type Waits } from "./newer-worker";

/** Pages that must be there without a network, as they were last seen. */
const NEEDED = [
  "/",
  "/larder",
  "/rest",
  "/table",
  "/pack",
  "/cold",
  "/fire",
  "/larder/eating",
  "/help",
  "/help/throw-out",
];
/** Fetched anew at most so often, ms. */
const EVERY_MS = 10 * MINUTE_MS;
const KEPT_AT = "larder-kept-at";

const inBrowser = typeof navigator !== "undefined";
const canKeep = () => import.meta.env.PROD && inBrowser && "serviceWorker" in navigator;

let registration: ServiceWorkerRegistration | null = null;
let waiting: Waits | null = null;
const listeners = listenersOf();

/**
 * Lets the browser keep the pages of the work, where it can (on this machine, or over https). Once in a while, when the
 * page has nothing else to do, the needed ones are fetched, with the shelves that are in sight.
 */
export function keepPages(): void {
  if (!canKeep()) return;
  const begin = () => {
    void (async () => {
      registration = await navigator.serviceWorker.register("/sw.js");
      onWaiting(registration, (worker) => {
        waiting = worker;
        listeners.tell();
      });
      fetchNeeded(await navigator.serviceWorker.ready);
    })().catch(() => undefined);
  };
  if (document.readyState === "complete") begin();
  else addEventListener("load", begin);
}

function fetchNeeded({ active }: ServiceWorkerRegistration): void {
  // Who is not signed in sees nothing that was kept, and keeps nothing.
  if (/^\/(enter|pair)\b/.test(location.pathname)) return active?.postMessage({ forget: true });
  // Pages of another build were let go with it.
  const mark = `${buildOfPage() ?? ""} `;
  const kept = localStorage.getItem(KEPT_AT) ?? "";
  if (kept.startsWith(mark) && Date.now() - Number(kept.slice(mark.length)) < EVERY_MS) return;
  localStorage.setItem(KEPT_AT, mark + String(Date.now()));
  const shelves = [...document.querySelectorAll<HTMLAnchorElement>('a[href^="/larder/shelf/"]')].map(
    (a) => a.pathname,
  );
  setTimeout(() => active?.postMessage({ keep: [...NEEDED, ...new Set(shelves)] }), 3_000);
}

/** Which build the page that is open belongs to; null where nobody can tell. */
export const buildOfPage = (): string | null =>
  (globalThis as { __reactRouterManifest?: { version?: string } }).__reactRouterManifest?.version ?? null;

/** Whether a newer worker is here and waits to be taken. */
export const newerWaits = (): boolean => waiting !== null;
/** Calls back when a newer worker has come. @returns how to stop it */
export const onNewer = listeners.add;

/** Looks whether there is a newer worker, and has it fetch what it needs, without taking it. */
export const lookForNewer = (): void => void registration?.update().catch(() => undefined);

/** The newer worker takes over, and what belonged to the build before is let go. Pages that are open stay. */
export function takeNewer(): void {
  waiting?.postMessage({ type: "SKIP_WAITING" });
  waiting = null;
}

/** A page that has waited so long for the newer worker loads anyway, ms. */
const TAKE_MS = 3_000;

/** Loads this page anew as the newer build draws it. */
export function reloadAsNewer(): void {
  const reload = () => location.reload();
  if (!waiting) return reload();
  navigator.serviceWorker.addEventListener("controllerchange", reload, { once: true });
  setTimeout(reload, TAKE_MS);
  takeNewer();
}
