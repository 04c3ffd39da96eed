import { MINUTE_MS } from "#core/quantity";

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

/**
 * Lets the browser keep the pages of the work, where it can (on this machine, or over https). Once in a while, when the
 * page has nothing else to do, the needed ones are fetched, with the shelves that are in sight.
 */
export function keepPages(): void {
  if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
  const begin = () => {
    void navigator.serviceWorker
      .register("/sw.js")
      .then(() => navigator.serviceWorker.ready)
      .then((worker) => {
        // Who is not signed in sees nothing that was kept, and keeps nothing.
        if (/^\/(enter|pair)\b/.test(location.pathname)) return worker.active?.postMessage({ forget: true });
        const at = Number(localStorage.getItem(KEPT_AT) ?? 0);
        if (Date.now() - at < EVERY_MS) return;
        localStorage.setItem(KEPT_AT, String(Date.now()));
        const shelves = [...document.querySelectorAll<HTMLAnchorElement>('a[href^="/larder/shelf/"]')].map(
          (a) => a.pathname,
        );
        setTimeout(() => worker.active?.postMessage({ keep: [...NEEDED, ...new Set(shelves)] }), 3_000);
      })
      .catch(() => undefined);
  };
  if (document.readyState === "complete") begin();
  else addEventListener("load", begin);
}
