// Keeps pages and their parts as they were last seen, for when the larder cannot be reached. Nothing is ever taken from
// here while it can be: a page is true for a moment only. Built by itself into /sw.js (react-router.config.ts).
import { clientsClaim, setCacheNameDetails } from "workbox-core";
import { ExpirationPlugin } from "workbox-expiration";
import { enable as enablePreload } from "workbox-navigation-preload";
import {
  cleanupOutdatedCaches,
  matchPrecache,
  precacheAndRoute,
  type PrecacheEntry,
} from "workbox-precaching";
import { registerRoute, setCatchHandler } from "workbox-routing";
import { CacheFirst, NetworkFirst, NetworkOnly } from "workbox-strategies";
import { keepPosted } from "../../outbox/posted";
import { asKept, isKept, PAGES_EXPIRE, partsOf, toKeep } from "./pages";

declare const self: ServiceWorkerGlobalScope;
/** What the shell is made of, and of which build: set when this file is built. */
declare const SHELL: PrecacheEntry[];
declare const BUILD: string;

/** The larder is waited for so long before a page that is kept is shown, s: until it begins to answer, however long it then takes. */
const PATIENCE_S = 6;
/** A page that is kept names parts of its own build: another build begins anew. */
const PAGES = `pages-${BUILD}`;

setCacheNameDetails({ prefix: "larder", precache: "shell", suffix: "" });
cleanupOutdatedCaches();
precacheAndRoute(SHELL, { cleanURLs: false, directoryIndex: "" });
enablePreload();
// A device that was just let in keeps what it sees from then on. A newer worker waits until somebody takes it.
clientsClaim();

const pages = new NetworkFirst({
  cacheName: PAGES,
  networkTimeoutSeconds: PATIENCE_S,
  plugins: [
    new ExpirationPlugin(PAGES_EXPIRE),
    {
      cacheWillUpdate: async ({ response }) => toKeep(response, Date.now()),
      cachedResponseWillBeUsed: async ({ cachedResponse, request, cacheName }) => {
        // A page with what was asked of it, or else the page.
        const kept =
          cachedResponse ?? (await (await caches.open(cacheName)).match(request, { ignoreSearch: true }));
        return kept ? asKept(kept) : null;
      },
      handlerDidError: async () => matchPrecache("/not-reached.html"),
    },
  ],
});
registerRoute(({ request, url }) => request.mode === "navigate" && isKept(url.pathname), pages);
// The browser has asked for these as well by the time the worker is awake: that answer is taken, and none is made twice.
registerRoute(({ request }) => request.mode === "navigate", new NetworkOnly());

/** A form that a page posts by itself, before its scripts run: without a network it is kept, and the page shows that. */
registerRoute(
  ({ request, url }) => request.mode === "navigate" && isKept(url.pathname),
  async ({ request, url }) => {
    const copy = request.clone();
    try {
      return await fetch(request);
    } catch {
      // A file is not kept: the browser's way back still has the form.
      if (!/^application\/x-www-form-urlencoded/.test(request.headers.get("content-type") ?? ""))
        return (await matchPrecache("/not-reached.html")) ?? Response.error();
      await keepPosted(url.pathname + url.search, await copy.text());
      return Response.redirect(request.referrer || "/", 303);
    }
  },
  "POST",
);

/** Typefaces of other scripts, and parts of a build that is gone, for a page that is still open. */
const parts = new CacheFirst({
  cacheName: "parts",
  plugins: [new ExpirationPlugin({ maxEntries: 60, maxAgeSeconds: 30 * 24 * 3600, purgeOnQuotaError: true })],
});
registerRoute(({ url }) => url.origin === location.origin && url.pathname.startsWith("/assets/"), parts);
setCatchHandler(async () => Response.error());

self.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys())
        if (name.startsWith("pages-") && name !== PAGES) await caches.delete(name);
    })(),
  );
});

self.addEventListener("message", (event) => {
  const said = event.data as { type?: string; forget?: boolean; keep?: string[] } | null;
  if (said?.type === "SKIP_WAITING") void self.skipWaiting();
  if (said?.forget) event.waitUntil(caches.delete(PAGES));
  if (Array.isArray(said?.keep)) event.waitUntil(keepAll(event, said.keep));
});

/** A notice of an alarm leads to its canner: to a page that is open, or a new one. */
self.addEventListener("notificationclick", (event) => {
  event.notification.close();
  const to = new URL((event.notification.data as { to?: string } | null)?.to ?? "/", location.origin);
  if (to.origin !== location.origin) return;
  event.waitUntil(
    (async () => {
      const [open] = await self.clients.matchAll({ type: "window" });
      if (!open) return self.clients.openWindow(to);
      await open.focus();
      open.postMessage({ to: to.pathname });
    })(),
  );
});

/** Fetches pages to have them. Those that nobody has opened yet are drawn with parts that may not be here. */
async function keepAll(event: ExtendableEvent, paths: readonly string[]): Promise<void> {
  for (const path of paths) {
    const url = new URL(path, location.origin);
    if (url.origin !== location.origin || !isKept(url.pathname)) continue;
    try {
      const request = new Request(url, { credentials: "same-origin" });
      const [answer, done] = pages.handleAll({ event, request });
      const html = await (await answer).text();
      await done;
      for (const part of partsOf(html)) await parts.handleAll({ event, request: new Request(part) })[1];
    } catch {
      // The larder is gone again: what is kept stays.
      return;
    }
  }
}
