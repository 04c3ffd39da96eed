/**
 * Returns a running time as a clock shows it: `41:18`, or `1:02:09` from an hour up.
 *
 * @param seconds ≥ 0; fractions are dropped
 */
export function formatClock(seconds: number): string {
  const s = Math.max(0, Math.floor(seconds));
  const h = Math.floor(s / 3600);
  const mm = String(Math.floor((s % 3600) / 60)).padStart(2, "0");
  const ss = String(s % 60).padStart(2, "0");
  return h > 0 ? `${h}:${mm}:${ss}` : `${mm}:${ss}`;
}

/**
 * Returns a length of time in words: `40 s`, `6 min 30 s`, `12 min`, `1 h 58 min`, `3 days`.
 *
 * @param seconds ≥ 0
 */
export function formatDuration(seconds: number): string {
  const s = Math.max(0, Math.round(seconds));
  if (s < 60) return `${s} s`;
  if (s < 600) return s % 60 ? `${Math.floor(s / 60)} min ${s % 60} s` : `${s / 60} min`;
  const minutes = Math.round(s / 60);
  if (minutes < 60) return `${minutes} min`;
  if (minutes < 48 * 60)
    return minutes % 60 ? `${Math.floor(minutes / 60)} h ${minutes % 60} min` : `${minutes / 60} h`;
  const days = Math.round(minutes / 1440);
  return `${days} days`;
}

const SPELLED = "one two three four five six seven eight nine ten eleven twelve".split(" ");

/**
 * Returns a number of things in words: `1 jar`, `2 jars`, `no jars`, `four 4-oz jars`, `24 × 4-oz jars`.
 *
 * @param n whole, ≥ 0
 */
export function countOf(n: number, singular: string, plural = `${singular}s`): string {
  if (n === 0) return `no ${plural}`;
  // Two numbers side by side are read as one.
  if (/^\d/.test(singular)) return `${SPELLED[n - 1] ?? `${n} ×`} ${n === 1 ? singular : plural}`;
  return `${n.toLocaleString("en-US")} ${n === 1 ? singular : plural}`;
}
