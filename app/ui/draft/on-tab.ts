/** What was begun longer ago is begun anew, ms: a canner that was looked at yesterday was not looked at. */
const KEPT_MS = 2 * 3_600_000;

/** Returns what was kept on this tab under a key; null when nothing was, or too long ago. */
export function keptOnTab<T>(key: string): T | null {
  try {
    const { at, value } = JSON.parse(sessionStorage.getItem(key) ?? "null") as { at: number; value: T };
    return Date.now() - at < KEPT_MS ? value : null;
  } catch {
    // Nothing was kept, or this browser keeps nothing.
    return null;
  }
}

/** Keeps something on this tab under a key, through a reload; null forgets it. */
export function keepOnTab(key: string, value: unknown): void {
  try {
    if (value === null) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, JSON.stringify({ at: Date.now(), value }));
  } catch {
    // A browser that keeps nothing: it lasts as long as the page.
  }
}
