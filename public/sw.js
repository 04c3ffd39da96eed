// Keeps pages and their parts as they were last seen, for when the larder cannot be reached. Nothing is ever taken from
// here while it can be: a page is true for a moment only.
const PAGES = "pages-1";
const PARTS = "parts-1";
/** A page is waited for so long before the one last seen is shown, ms. */
const PATIENCE_MS = 6_000;
/** What is no page of the work: the door, files, and what only makes sense live. */
const NEVER =
  /^\/(enter|pair|who|api\/|jump|prefs|healthz|records\/(archive|restore|lists|paper\.pdf|events)|.*\.(data|pdf|csv|ics|zip|jsonld)$|live|fire\/[^/]+\/(events|taps))/;
const MOST_PAGES = 120;

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => {
  event.waitUntil(
    (async () => {
      for (const name of await caches.keys()) if (name !== PAGES && name !== PARTS) await caches.delete(name);
      await self.clients.claim();
    })(),
  );
});

self.addEventListener("message", (event) => {
  if (event.data?.forget) event.waitUntil(Promise.all([caches.delete(PAGES)]));
  if (Array.isArray(event.data?.keep)) event.waitUntil(keepAll(event.data.keep));
});

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== "GET" || url.origin !== location.origin) return;
  if (
    url.pathname.startsWith("/assets/") ||
    /^\/(favicon\.svg|icons\/|manifest\.webmanifest)/.test(url.pathname)
  )
    return event.respondWith(part(request));
  if (request.mode === "navigate" && !NEVER.test(url.pathname)) event.respondWith(page(request, url));
});

async function part(request) {
  const kept = await caches.match(request, { cacheName: PARTS });
  if (kept) return kept;
  const answer = await fetch(request);
  if (answer.ok) (await caches.open(PARTS)).put(request, answer.clone());
  return answer;
}

async function page(request, url) {
  try {
    const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) });
    if (answer.ok && !answer.redirected) await keepPage(url, answer.clone());
    return answer;
  } catch {
    return (await keptPage(url)) ?? nothing();
  }
}

async function keepPage(url, answer) {
  if (!(answer.headers.get("content-type") ?? "").startsWith("text/html")) return;
  const headers = new Headers(answer.headers);
  headers.set("Larder-Kept-At", String(Date.now()));
  headers.delete("content-encoding");
  headers.delete("content-length");
  const html = await answer.text();
  const cache = await caches.open(PAGES);
  await cache.put(url.pathname + url.search, new Response(html, { status: 200, headers }));
  const keys = await cache.keys();
  for (const old of keys.slice(0, Math.max(0, keys.length - MOST_PAGES))) await cache.delete(old);
  return html;
}

/** A page as it was last seen, with the instant it was kept, so that its clocks can be put right. */
async function keptPage(url) {
  const cache = await caches.open(PAGES);
  const kept = (await cache.match(url.pathname + url.search)) ?? (await cache.match(url.pathname));
  if (!kept) return null;
  const html = await kept.text();
  const at = kept.headers.get("Larder-Kept-At");
  return new Response(html.replace("<head>", `<head><meta name="larder-kept" content="${at}">`), {
    status: 200,
    headers: kept.headers,
  });
}

/** Fetches pages to have them, with the parts they are drawn with. */
async function keepAll(paths) {
  const parts = await caches.open(PARTS);
  for (const path of paths) {
    try {
      const url = new URL(path, location.origin);
      if (url.origin !== location.origin || NEVER.test(url.pathname)) continue;
      const answer = await fetch(url, { credentials: "same-origin" });
      if (!answer.ok || answer.redirected) continue;
      const html = await keepPage(url, answer);
      for (const [, asset] of (html ?? "").matchAll(/"(\/assets\/[^"]+?\.(?:js|css|woff2))"/g))
        if (!(await parts.match(asset))) await parts.add(asset).catch(() => undefined);
    } catch {
      return;
    }
  }
}

function nothing() {
  return new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Not reached</title>
<body style="font:1.2rem/1.5 system-ui,sans-serif;max-width:40rem;margin:12vh auto;padding:0 1.2rem;background:#f3eddf;color:#1c2422"><h1>The larder cannot be reached.</h1><p>This page was not seen on this screen before. These were, and show what they last showed:</p><p><a href="/">Today</a>, <a href="/larder">Larder</a>, <a href="/rest">Rest</a>, <a href="/table">Table</a></p><p>Running clocks go on in the larder. Look whether its machine is on, and whether this screen is on the same network.</p></body></html>`,
    { status: 503, headers: { "Content-Type": "text/html; charset=utf-8" } },
  );
}
