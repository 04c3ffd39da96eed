/** What the server said when the page that is open was made. */
let first: number | null = null;

/**
 * The server's clock as a page knows it. A page that the browser had kept, and shows because the larder cannot be
 * reached, says when it was kept: what has passed since is added, so that its clocks are right all the same. What the
 * larder says later needs nothing added.
 * @param serverNow what the server said when the data was made, ms since 1970 UTC
 * @param pace how many of its seconds pass in one of the machine's
 */
export function clockOfPage(serverNow: number, pace: number): number {
  first ??= serverNow;
  const kept = document.querySelector<HTMLMetaElement>("meta[name=larder-kept]");
  if (!kept || serverNow !== first) return serverNow;
  return serverNow + Math.max(0, Date.now() - Number(kept.content)) * pace;
}
