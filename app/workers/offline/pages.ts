/** Pages kept at most, and for so long after they were last seen. */
const MOST_PAGES = 120;
const KEPT_DAYS = 60;
export const PAGES_EXPIRE = {
  maxEntries: MOST_PAGES,
  maxAgeSeconds: KEPT_DAYS * 24 * 3600,
  purgeOnQuotaError: true,
};

/** What is no page of the work: the door, files, and what only makes sense live. */
const NEVER =
  /^\/(enter|pair|who|connect|api\/|jump|prefs|healthz|clock|records\/(archive|restore|lists|paper\.pdf|events)|.*\.(data|pdf|csv|ics|zip|jsonld|crt|html|txt)$|live|fire\/[^/]+\/(events|taps))/;

/** Whether a page of this address may be kept, and shown while the larder cannot be reached. */
export const isKept = (path: string): boolean => !NEVER.test(path);

/** When a page was kept, ms since 1970 UTC, in a header of the kept answer. */
const KEPT_AT = "Larder-Kept-At";

/** Returns an answer as it is to be kept, with when that was; null for what is no page, or leads to one. */
export function toKeep(answer: Response, now: number): Response | null {
  const isPage = (answer.headers.get("content-type") ?? "").startsWith("text/html");
  if (answer.status !== 200 || answer.redirected || !isPage) return null;
  const headers = new Headers(answer.headers);
  headers.set(KEPT_AT, String(now));
  // What is kept is unpacked.
  headers.delete("content-encoding");
  headers.delete("content-length");
  return new Response(answer.body, { status: 200, headers });
}

/** Returns a kept page that says of itself when it was kept, so that its clocks can be put right. */
export async function asKept(kept: Response): Promise<Response> {
  const at = kept.headers.get(KEPT_AT);
  const html = (await kept.text()).replace("<head>", `<head><meta name="larder-kept" content="${at}">`);
  return new Response(html, { status: 200, headers: kept.headers });
}

/** Returns the parts a page is drawn with, as it names them. */
export const partsOf = (html: string): string[] => [
  ...new Set([...html.matchAll(/"(\/assets\/[^"]+?\.(?:js|css|woff2))"/g)].map(([, path]) => path!)),
];
